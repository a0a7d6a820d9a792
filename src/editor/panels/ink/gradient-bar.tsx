'use client';
import { useRef, useState } from 'react';
import styled from 'styled-components';
import { denseStops, sortedStops } from '@/core/colour';
import {
  stopsListed,
  turnedStops,
  withNewStop,
  withoutStop,
  withStopAt,
  type Gradient,
} from '@/core/document';
import { clamp } from '@/core/numbers';
import { Button, Buttons, nudgeKeys, shareIn } from '@/ui';
import { PartField } from '../../properties';
import { dragDocument, useCalm } from '../../state';
import { changeInk } from './ink-values';

const Bar = styled.div`
  position: relative;
  height: 34px;
  margin: 2px 7px 4px;
  touch-action: none;
`;
const Ramp = styled.div`
  position: absolute;
  inset: 0 -7px 12px;
  border: 1px solid var(--rule);
  border-radius: 6px;
`;
const Stop = styled.div`
  position: absolute;
  bottom: 0;
  width: 14px;
  height: 20px;
  margin-left: -7px;
  border: 2px solid var(--desk);
  border-radius: 4px 4px 7px 7px;
  outline: 1px solid var(--quiet);
  cursor: grab;
  &[data-picked] {
    outline: 2px solid var(--head);
  }
`;

/** The colours of a gradient from tail to head, its stops dragged, typed and keyed. */
export function GradientBar({ gradient }: { gradient: Gradient }) {
  const bar = useRef<HTMLDivElement>(null);
  const frame = useCalm((s) => Math.round(s.frame));
  const [picked, setPicked] = useState(gradient.stops.length - 1);
  const index = Math.min(picked, gradient.stops.length - 1);
  const now = stopsListed(gradient, frame);
  const css = denseStops(sortedStops(now)).map(
    ({ at, colour, opacity }) =>
      `color-mix(in srgb, ${colour} ${(opacity * 100).toFixed(1)}%, transparent) ${(at * 100).toFixed(2)}%`,
  );
  const change = (to: (gradient: Gradient) => Gradient, kind: string) =>
    changeInk((ink) => (ink.gradient ? { gradient: to(ink.gradient) } : {}), kind);
  const placeOf = (event: { clientX: number; clientY: number }): number =>
    clamp(shareIn(bar.current!, event).x, 0, 1);
  const move = (i: number, at: number) =>
    change((g) => withStopAt(g, i, clamp(at, 0, 1), frame), 'stop place');
  const add = (at: number) => {
    change((g) => withNewStop(g, at, frame), 'stop added');
    setPicked(gradient.stops.length);
  };
  const remove = (i: number) => {
    if (gradient.stops.length < 2) return;
    change((g) => withoutStop(g, i), 'stop removed');
    setPicked(Math.max(0, i - 1));
  };
  return (
    <>
      <Bar
        ref={bar}
        role="group"
        aria-label="Colours from tail to head"
        onDoubleClick={(event) => add(placeOf(event))}
      >
        <Ramp
          style={{
            background: `linear-gradient(90deg, ${css.length > 1 ? css.join(',') : `${css[0]}, ${css[0]}`}), repeating-conic-gradient(#3a352d 0 25%, #2a251f 0 50%) 0 0 / 12px 12px`,
          }}
        />
        {now.map((stop, i) => (
          <Stop
            key={i}
            tabIndex={0}
            role="slider"
            aria-label={`Colour ${i + 1} of ${now.length}`}
            aria-valuenow={Math.round(stop.at * 100)}
            aria-valuetext={`${stop.colour} at ${Math.round(stop.at * 100)} %`}
            data-picked={i === index || undefined}
            style={{ left: `${stop.at * 100}%`, background: stop.colour }}
            onFocus={() => setPicked(i)}
            onKeyDown={nudgeKeys({ along: (by) => move(i, stop.at + by / 100), remove: () => remove(i) })}
            onPointerDown={(event) => {
              setPicked(i);
              dragDocument(event, { move: (now) => move(i, placeOf(now)) });
            }}
          />
        ))}
      </Bar>
      <PartField part={`ink.gradient.stops.${index}.colour`} label={`Colour ${index + 1}`} />
      <PartField part={`ink.gradient.stops.${index}.opacity`} label="Opacity there" />
      <PartField part={`ink.gradient.stops.${index}.at`} label="Position" />
      <Buttons>
        <Button onPress={() => add((now[index]!.at + (now[index - 1]?.at ?? now[index + 1]?.at ?? 0)) / 2)}>
          Add a colour
        </Button>
        <Button isDisabled={now.length < 2} onPress={() => remove(index)}>
          Remove it
        </Button>
        <Button onPress={() => change((g) => turnedStops(g, frame), 'turned')}>Reverse</Button>
        <Button onPress={() => change((g) => ({ ...g, stops: stopsListed(g, frame) }), 'unkeyed')}>
          Without keys
        </Button>
      </Buttons>
    </>
  );
}
