'use client';
import { useQuery } from '@tanstack/react-query';
import styled from 'styled-components';
import { LETTERING, type FaceSummary, type LineFaceId } from '@/contract';
import {
  IDENTITY,
  commandsBounds,
  commandsOf,
  compose,
  pathData,
  scaling,
  transformCommands,
  translation,
  wholePath,
  type Bounds,
} from '@/core/geometry';
import type { TextSetting } from '@/core/document';
import { call } from '../saving';
import { nearestWeight, SINGLE_LINE } from './use-faces';

/** So many letters of a text are shown. */
const LETTERS = 24;
const SIZE = 24;

const shortened = (text: string): string => text.replace(/\s+/g, ' ').trim().slice(0, LETTERS);

interface Drawn {
  readonly data: string;
  readonly bounds: Bounds | null;
}

/** A text set as it would be, in small; null where the face lacks some of its letters. */
async function drawn(setting: TextSetting): Promise<Drawn | null> {
  const set = await call(LETTERING.set, {
    body: { ...setting, size: SIZE, leading: 1.2, align: 'left', text: shortened(setting.text) },
  });
  if (set.missing.length > 0 || set.glyphs.length === 0) return null;
  const commands = set.glyphs.flatMap((g) =>
    transformCommands(
      commandsOf(set.outlines[g.outline]!),
      compose(translation(g.x, g.y), compose(scaling(set.scale), IDENTITY)),
    ),
  );
  return { data: pathData(commands), bounds: commandsBounds(commands) };
}

const letters = (face: FaceSummary, text: string): Promise<Drawn | null> =>
  drawn({
    text,
    face: { id: face.id, weight: nearestWeight(face, 400) },
    size: SIZE,
    tracking: 0,
    leading: 1.2,
    align: 'left',
  });

async function lines(face: FaceSummary, text: string): Promise<Drawn | null> {
  const written = await call(LETTERING.lines, {
    body: { text, face: face.id.slice('line:'.length) as LineFaceId, size: SIZE, tracking: 0, leading: 1.2 },
  });
  if (written.missing.length > 0) return null;
  const commands = written.letters.flatMap((letter) => letter.paths.flatMap(wholePath));
  return { data: pathData(commands), bounds: commandsBounds(commands) };
}

const Frame = styled.svg`
  display: block;
  width: 100%;
  height: 38px;
  overflow: hidden;
`;

/** A word in a face; the face's own sample where it lacks some of the letters. */
export function FaceSample({ face, word }: { face: FaceSummary; word: string }) {
  const line = face.kind === SINGLE_LINE;
  const text = shortened(word) || face.sample;
  const { data } = useQuery({
    queryKey: ['face sample', face.id, text],
    staleTime: Infinity,
    queryFn: async () => {
      const draw = line ? lines : letters;
      return (await draw(face, text)) ?? (await draw(face, face.sample)) ?? { data: '', bounds: null };
    },
  });
  return <Shown drawn={data ?? null} line={line} />;
}

/** A text as a setting sets it. */
export function TextSample({ setting }: { setting: TextSetting }) {
  const { data } = useQuery({
    queryKey: ['text sample', setting],
    staleTime: Infinity,
    queryFn: () => drawn(setting),
  });
  return <Shown drawn={data ?? null} line={false} />;
}

function Shown({ drawn: shown, line }: { drawn: Drawn | null; line: boolean }) {
  const { left, right } = shown?.bounds ?? { left: 0, right: 220 };
  return (
    <Frame
      viewBox={`${left - 2} -28 ${Math.max(230, right - left + 4)} 42`}
      preserveAspectRatio="xMinYMid meet"
      aria-hidden
    >
      {shown && (
        <path
          d={shown.data}
          {...(line
            ? { fill: 'none', stroke: 'currentColor', strokeWidth: 1.4, strokeLinecap: 'round' }
            : { fill: 'currentColor' })}
        />
      )}
    </Frame>
  );
}
