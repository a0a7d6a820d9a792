'use client';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { inTurn } from '@/ui';
import { stripAddress, STRIP_MOMENTS, type PieceSummary } from '@/contract';

const Strip = styled.div`
  position: absolute;
  inset: 0;
  background-repeat: no-repeat;
  background-size: ${STRIP_MOMENTS * 100}% 100%;
`;

/** A strip plays at this many moments a second. */
const RATE = 8;
/** The pointer rests so long before it is asked for, ms. */
const REST = 180;

/** The piece in moments, one after another, while the pointer is on its card; nothing where motion is unwelcome. */
export function PlayingPicture({ piece, over }: { piece: PieceSummary; over: boolean }) {
  const [ready, setReady] = useState(false);
  const strip = useRef<HTMLDivElement>(null);
  const address = stripAddress(piece.id, piece.revision);
  useEffect(() => {
    if (!over || window.matchMedia('(prefers-reduced-motion: reduce)').matches) return;
    const picture = new Image();
    let leave: (() => void) | null = null;
    const resting = setTimeout(() => {
      leave = inTurn((done) => {
        picture.onload = () => {
          setReady(true);
          done();
        };
        picture.onerror = done;
        picture.src = address;
      });
    }, REST);
    return () => {
      clearTimeout(resting);
      picture.onload = null;
      picture.src = '';
      leave?.();
      setReady(false);
    };
  }, [over, address]);
  useEffect(() => {
    if (!ready) return;
    let at = 0;
    const playing = setInterval(() => {
      at = (at + 1) % STRIP_MOMENTS;
      if (strip.current) strip.current.style.backgroundPositionX = `${(at * 100) / (STRIP_MOMENTS - 1)}%`;
    }, 1000 / RATE);
    return () => clearInterval(playing);
  }, [ready]);
  if (!over || !ready) return null;
  // As wide and high as the picture that stands there: within the card, in its own proportions.
  const { width, height } = piece;
  return (
    <Strip
      ref={strip}
      data-plays
      style={{
        backgroundImage: `url("${address}")`,
        margin: 'auto',
        aspectRatio: `${width} / ${height}`,
        ...(width / height > 16 / 9 ? { width: '100%', height: 'auto' } : { height: '100%', width: 'auto' }),
      }}
    />
  );
}
