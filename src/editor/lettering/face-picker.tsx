'use client';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { FACES, LETTERING, type FaceSummary, type Faces } from '@/contract';
import {
  IDENTITY,
  commandsBounds,
  commandsOf,
  compose,
  pathData,
  scaling,
  transformCommands,
  translation,
} from '@/core/geometry';
import { Button, Select } from '@/ui';
import { takeFont } from '../importing';
import { call, useSaving } from '../saving';

/** The faces of the open project; null until they are here. */
export function useFaces(): Faces | null {
  const project = useSaving((s) => s.open?.projectId);
  const { data } = useQuery({
    queryKey: ['faces', project],
    queryFn: () => call(FACES.list, { params: { id: project! } }),
    enabled: project !== undefined,
    staleTime: Infinity,
  });
  return data ?? null;
}

/** A face's own name in its own letters. */
export function FaceSample({ face }: { face: FaceSummary }) {
  const weight = Array.isArray(face.weights) ? face.weights[face.weights.length >> 1]! : 400;
  const { data } = useQuery({
    queryKey: ['face sample', face.id],
    staleTime: Infinity,
    queryFn: () =>
      call(LETTERING.set, {
        body: {
          text: face.sample.slice(0, 40),
          face: { id: face.id, weight },
          size: 22,
          tracking: 0,
          leading: 1.2,
          align: 'left',
        },
      }),
  });
  if (!data) return <span style={{ height: 30, display: 'block' }}>{face.name}</span>;
  const commands = data.glyphs.flatMap((g) =>
    transformCommands(
      commandsOf(data.outlines[g.outline]!),
      compose(translation(g.x, g.y), compose(scaling(data.scale), IDENTITY)),
    ),
  );
  const right = commandsBounds(commands)?.right ?? 10;
  return (
    <svg
      viewBox={`-4 -24 ${Math.max(210, right + 8)} 34`}
      width={210}
      height={30}
      role="img"
      aria-label={face.name}
    >
      <path d={pathData(commands)} fill="currentColor" />
    </svg>
  );
}

/** Chooses a face; the list shows each in its own letters. */
export function FacePicker({
  value,
  faces,
  onChange,
}: {
  value: string;
  faces: readonly FaceSummary[];
  onChange: (face: FaceSummary) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const choices = faces.map((face) => ({ id: face.id, name: face.name, show: <FaceSample face={face} /> }));
  const known = faces.some((face) => face.id === value);
  return (
    <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6 }}>
      <Select
        label="Face"
        value={known ? value : null}
        placeholder={known ? '' : 'a face that is not here'}
        choices={choices}
        onChange={(id) => {
          const face = faces.find((f) => f.id === id);
          if (face) onChange(face);
        }}
      />
      <Button onPress={() => file.current?.click()} style={{ height: 28 }}>
        Own …
      </Button>
      <input
        ref={file}
        type="file"
        accept=".ttf,.otf,.woff,.woff2"
        hidden
        aria-label="Font file"
        onChange={(event) => {
          const [chosen] = event.currentTarget.files ?? [];
          event.currentTarget.value = '';
          if (chosen) {
            void takeFont(chosen).then((made) => {
              if (made) onChange({ ...made, kind: 'own', weights: [400], sample: made.name });
            });
          }
        }}
      />
    </div>
  );
}
