'use client';
import styled from 'styled-components';
import { changed, withEnd, type Ink, shared } from '@/core/document';
import { END_SHAPES, type EndShape } from '@/core/ink';
import { Check, Select } from '@/ui';
import { PartField } from '../../properties';
import { InkPicture } from './ink-picture';
import { changeInk } from './ink-values';

const Name = styled.span`
  display: grid;
  grid-template-columns: 84px 1fr;
  gap: 8px;
  align-items: center;
`;

const sample = (ink: Ink, which: 'head' | 'tail', shape: EndShape): Ink =>
  changed(
    { ...ink, width: 4, ends: { [which]: { shape, size: 4 } } },
    {
      widths: undefined,
      taper: undefined,
      glow: undefined,
      innerGlow: undefined,
      shadow: undefined,
      shadowLine: undefined,
      dashes: undefined,
      gradient: undefined,
    },
  );

function End({ inks, which }: { inks: readonly Ink[]; which: 'head' | 'tail' }) {
  const having = inks.filter((ink) => ink.ends?.[which]);
  const word = which === 'head' ? 'Head' : 'Tail';
  const shape = shared(inks.map((ink) => ink.ends?.[which]?.shape ?? 'none'));
  return (
    <>
      <Name>
        <span style={{ color: 'var(--quiet)' }}>{word}</span>
        <Select
          label={`${word} end`}
          value={shape}
          choices={[
            { id: 'none', name: 'none' },
            ...END_SHAPES.map((id) => ({
              id,
              name: id,
              show: (
                <span
                  style={{ display: 'grid', gridTemplateColumns: '110px auto', alignItems: 'center', gap: 8 }}
                >
                  {inks[0] && (
                    <InkPicture ink={sample(inks[0], which, id)} label="" width={110} height={28} flat />
                  )}
                  {id}
                </span>
              ),
            })),
          ]}
          onChange={(to) =>
            changeInk(
              (ink) =>
                withEnd(
                  ink,
                  which,
                  to === 'none' ? undefined : { ...(ink.ends?.[which] ?? { size: 4 }), shape: to },
                ),
              `${which} end`,
            )
          }
        />
      </Name>
      {having.length > 0 && (
        <>
          <PartField part={`ink.ends.${which}.size`} label={`${word} size`} />
          <Check
            isSelected={having.every((ink) => ink.ends![which]!.colour !== undefined)}
            onChange={(own) =>
              changeInk((ink) => {
                const end = ink.ends?.[which];
                if (!end) return {};
                const plain = { shape: end.shape, size: end.size };
                return withEnd(ink, which, own ? { ...plain, colour: '#ff6b3d' } : plain);
              }, `${which} own colour`)
            }
          >
            {word} in its own colour
          </Check>
          {having.some((ink) => ink.ends![which]!.colour !== undefined) && (
            <PartField part={`ink.ends.${which}.colour`} label={`${word} colour`} />
          )}
        </>
      )}
    </>
  );
}

/** What rides head and tail. */
export function EndControls({ inks }: { inks: readonly Ink[] }) {
  return (
    <div style={{ display: 'grid', gap: 6 }}>
      <End inks={inks} which="head" />
      <End inks={inks} which="tail" />
    </div>
  );
}
