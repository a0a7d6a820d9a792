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
import { call } from '../saving';
import { nearestWeight, SINGLE_LINE } from './use-faces';

/** So many letters of a text are shown. */
const LETTERS = 24;
const SIZE = 24;

interface Drawn {
  readonly data: string;
  readonly bounds: Bounds | null;
}

async function letters(face: FaceSummary, text: string): Promise<Drawn | null> {
  const set = await call(LETTERING.set, {
    body: {
      text,
      face: { id: face.id, weight: nearestWeight(face, 400) },
      size: SIZE,
      tracking: 0,
      leading: 1.2,
      align: 'left',
    },
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
  const text = word.replace(/\s+/g, ' ').trim().slice(0, LETTERS) || face.sample;
  const { data } = useQuery({
    queryKey: ['face sample', face.id, text],
    staleTime: Infinity,
    queryFn: async () => {
      const draw = line ? lines : letters;
      return (await draw(face, text)) ?? (await draw(face, face.sample)) ?? { data: '', bounds: null };
    },
  });
  const { left, right } = data?.bounds ?? { left: 0, right: 220 };
  return (
    <Frame
      viewBox={`${left - 2} -28 ${Math.max(230, right - left + 4)} 42`}
      preserveAspectRatio="xMinYMid meet"
      aria-hidden
    >
      {data && (
        <path
          d={data.data}
          {...(line
            ? { fill: 'none', stroke: 'currentColor', strokeWidth: 1.4, strokeLinecap: 'round' }
            : { fill: 'currentColor' })}
        />
      )}
    </Frame>
  );
}
