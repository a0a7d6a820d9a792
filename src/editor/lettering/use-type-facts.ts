import { useQuery } from '@tanstack/react-query';
import { LETTERING } from '@/contract';
import type { TextSetting } from '@/core/document';
import { call } from '../saving';

/** What of a setting says what its face has for it; the rest may change without anything being asked anew. */
const shaped = ({ text, face, features, tracking }: TextSetting): TextSetting => ({
  ...{ text, face, ...(features && { features }), tracking: tracking === 0 ? 0 : 1 },
  ...{ size: 100, leading: 1.2, align: 'left' },
});

/** What the face of a text has for it: OpenType features that change it, and axes. Until it is known, that of the setting before. */
export function useTypeFacts(setting: TextSetting) {
  const body = shaped(setting);
  const { data } = useQuery({
    queryKey: ['features', body],
    queryFn: () => call(LETTERING.features, { body }),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return data ?? { features: [], axes: [] };
}

/** The forms that the face of a text has for the letter at a place; none where no one letter is asked about. */
export function useLetterForms(setting: TextSetting, at: number | null) {
  const body = { setting: shaped(setting), at: at! };
  const { data } = useQuery({
    queryKey: ['forms', body],
    queryFn: () => call(LETTERING.forms, { body }),
    enabled: at !== null,
    staleTime: Infinity,
  });
  return data?.forms ?? [];
}
