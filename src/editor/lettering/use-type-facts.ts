import { useQuery } from '@tanstack/react-query';
import { LETTERING } from '@/contract';
import type { TextSetting } from '@/core/document';
import { call } from '../saving';

/** What the face of a text has for it: OpenType features that change it, and axes. Until it is known, that of the setting before. */
export const useTypeFacts = (setting: TextSetting) =>
  useQuery({
    queryKey: ['features', setting],
    queryFn: () => call(LETTERING.features, { body: setting }),
    staleTime: Infinity,
    placeholderData: (before) => before,
  }).data ?? { features: [], axes: [] };

/** The forms that the face of a text has for the letter at a place; none where no one letter is asked about. */
export const useLetterForms = (setting: TextSetting, at: number | null) =>
  useQuery({
    queryKey: ['forms', setting.text, setting.face, setting.features, setting.tracking === 0, at],
    queryFn: () => call(LETTERING.forms, { body: { setting, at: at! } }),
    enabled: at !== null,
    staleTime: Infinity,
  }).data?.forms ?? [];
