'use client';
import { useEffect, useLayoutEffect, useRef, useState } from 'react';
import { X } from 'lucide-react';
import styled from 'styled-components';
import { Button, IconButton, MainButton } from '@/ui';
import { leaveTour, STOPS, goToStop, useTour } from './tour';

const Ring = styled.div`
  position: fixed;
  z-index: 60;
  border: 2px solid var(--tail);
  border-radius: 8px;
  pointer-events: none;
`;
const Card = styled.section`
  position: fixed;
  z-index: 61;
  width: 320px;
  padding: 14px 16px;
  border: 1px solid var(--tail);
  border-radius: 12px;
  background: var(--panel);
  box-shadow: var(--shadow);
  h2 {
    margin: 0 30px 6px 0;
    font: italic 400 20px/1.2 var(--serif);
  }
  p {
    margin: 0 0 12px;
  }
`;
const Off = styled.div`
  position: absolute;
  top: 8px;
  right: 8px;
`;
const Foot = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  span {
    flex: 1;
    color: var(--quiet);
  }
`;

const WIDTH = 320;
const ROOM = 12;

interface Box {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** Where the card stands: beside what it speaks of, where there is room for it; else within. */
function placeOf(box: Box, height: number): { left: number; top: number } {
  const { innerWidth, innerHeight } = window;
  const inWindow = (n: number, most: number): number => Math.min(Math.max(ROOM, n), Math.max(ROOM, most));
  const right = box.left + box.width + ROOM;
  const below = box.top + box.height + ROOM;
  const top = inWindow(box.top, innerHeight - height - ROOM);
  if (right + WIDTH < innerWidth) return { left: right, top };
  if (below + height < innerHeight)
    return { left: inWindow(box.left, innerWidth - WIDTH - ROOM), top: below };
  if (box.top - height - ROOM > 0)
    return { left: inWindow(box.left + ROOM, innerWidth - WIDTH - ROOM), top: box.top - height - ROOM };
  return {
    left: inWindow(box.left + box.width - WIDTH - ROOM, innerWidth - WIDTH - ROOM),
    top: box.top + ROOM,
  };
}

/** The stop of the tour that is on, beside the part of the page that it speaks of. */
export function TourCard() {
  const stop = useTour((s) => s.stop);
  return stop === null ? null : <Shown key={stop} stop={stop} />;
}

function Shown({ stop }: { stop: number }) {
  const card = useRef<HTMLElement>(null);
  const [place, setPlace] = useState<{ box: Box; left: number; top: number } | null>(null);
  const { title, words, about } = STOPS[stop]!;
  useLayoutEffect(() => {
    const measure = (): void => {
      const seen = document.querySelector(about)?.getBoundingClientRect();
      if (!seen) return;
      const { left, top, width, height } = seen;
      const box = { left, top, width, height };
      setPlace({ box, ...placeOf(box, card.current?.offsetHeight ?? 150) });
    };
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, [about]);
  useEffect(() => card.current?.querySelector<HTMLElement>('[data-next]')?.focus(), []);
  const last = stop === STOPS.length - 1;
  return (
    <>
      {place && <Ring style={place.box} />}
      <Card
        ref={card}
        aria-label="Guided tour"
        style={place ? { left: place.left, top: place.top } : { left: ROOM, top: ROOM }}
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          event.stopPropagation();
          leaveTour();
        }}
      >
        <h2>{title}</h2>
        <Off>
          <IconButton plain label="Leave the tour" keys="Esc" onPress={leaveTour}>
            <X />
          </IconButton>
        </Off>
        <p aria-live="polite">{words}</p>
        <Foot>
          <span>
            {stop + 1} of {STOPS.length}
          </span>
          <Button isDisabled={stop === 0} onPress={() => goToStop(stop - 1)}>
            Back
          </Button>
          <MainButton data-next onPress={() => goToStop(stop + 1)}>
            {last ? 'Done' : 'Next'}
          </MainButton>
        </Foot>
      </Card>
    </>
  );
}
