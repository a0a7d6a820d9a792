'use client';
import { useEffect, useRef, useState } from 'react';
import type { AnimationItem } from 'lottie-web';
import styled from 'styled-components';
import { receivedFileAddress, type Received } from '@/contract';
import type { Piece } from '@/core/document';
import { framesPerSecond } from '@/core/timing';
import { groundPixels, type Ground } from './grounds';
import { pieceFrame, paintedPiece } from './piece-frame';
import type { Shown } from './shown';

const Stack = styled.div`
  position: relative;
  flex: none;
  isolation: isolate;
  > * {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
  }
  svg {
    display: block;
    width: 100%;
    height: 100%;
  }
`;
const Problem = styled.p`
  color: var(--caution);
`;

/** Puts a frame of vectors on. */
type Seek = (frame: number) => void;

const text = async (received: Received): Promise<string> => {
  const answer = await fetch(receivedFileAddress(received.hash));
  if (!answer.ok) throw new Error('The edit bay does not have this file any more. Bring it again.');
  return answer.text();
};

/** Where the size of the screen is off by a part of a pixel, nothing moves: it begins at the same corner. */
const AT_START = 'xMinYMin meet';

/** How far into a frame, in frames, time is put: so that rounding does not show the one before. */
const INTO = 0.0005;

async function mountSvg(received: Received, into: HTMLElement): Promise<Seek> {
  const document = new DOMParser().parseFromString(await text(received), 'image/svg+xml');
  if (document.querySelector('parsererror'))
    throw new Error('The file is damaged: it is not a complete SVG.');
  // The page lets no script of it run; what could load or run anything is left out all the same.
  document.querySelectorAll('script, foreignObject, iframe, audio, video').forEach((one) => one.remove());
  const svg = into.ownerDocument.importNode(document.documentElement, true) as unknown as SVGSVGElement;
  svg.removeAttribute('width');
  svg.removeAttribute('height');
  svg.setAttribute('preserveAspectRatio', AT_START);
  into.replaceChildren(svg);
  svg.pauseAnimations();
  const perSecond = framesPerSecond(received.rate);
  return (frame) => {
    const seconds = (frame + INTO) / perSecond;
    svg.setCurrentTime(seconds);
    for (const animation of svg.getAnimations({ subtree: true })) {
      animation.pause();
      animation.currentTime = seconds * 1000;
    }
  };
}

async function mountLottie(received: Received, into: HTMLElement): Promise<Seek & { end(): void }> {
  const [{ default: player }, json] = await Promise.all([
    import('lottie-web/build/player/lottie_light'),
    text(received),
  ]);
  into.replaceChildren();
  const film: AnimationItem = player.loadAnimation({
    container: into,
    renderer: 'svg',
    autoplay: false,
    loop: false,
    rendererSettings: { preserveAspectRatio: AT_START },
    animationData: JSON.parse(json) as unknown,
  });
  return Object.assign((frame: number) => film.goToAndStop(frame, true), { end: () => film.destroy() });
}

/** Vectors as a page plays them, over the ground; the piece is laid over them for the difference. */
export function VectorView({
  received,
  piece,
  frame,
  ground,
  shown,
  zoom,
  room,
}: {
  received: Received;
  piece: Piece | null;
  frame: number;
  ground: Ground;
  shown: Shown;
  zoom: number;
  /** The room that it is centred in, px: it stands on whole pixels, as the piece does that it is compared with. */
  room: readonly [width: number, height: number];
}) {
  const place = useRef<HTMLDivElement>(null);
  const beneath = useRef<HTMLCanvasElement>(null);
  const own = useRef<HTMLCanvasElement>(null);
  const [seek, setSeek] = useState<{ readonly to: Seek } | null>(null);
  const [error, setError] = useState('');
  const { width, height } = received;
  useEffect(() => {
    let wanted = true;
    let end = () => {};
    const mounted = (received.shows === 'svg' ? mountSvg : mountLottie)(received, place.current!);
    mounted
      .then((to) => {
        if ('end' in to) end = to.end as () => void;
        if (wanted) setSeek({ to });
        else end();
      })
      .catch((problem: Error) => wanted && setError(problem.message));
    return () => {
      wanted = false;
      end();
    };
  }, [received]);
  useEffect(() => seek?.to(frame), [seek, frame]);
  useEffect(() => {
    const image = new ImageData(new Uint8ClampedArray(groundPixels(ground, width, height)), width, height);
    beneath.current!.getContext('2d')!.putImageData(image, 0, 0);
  }, [ground, width, height]);
  const difference = shown === 'difference';
  // The piece is painted as sharp as the screen shows vectors, so that nothing but what differs is seen.
  const ratio = typeof window === 'undefined' ? 1 : window.devicePixelRatio || 1;
  // As high as it must be for its width to count: both are then drawn at the very same scale.
  const wide = Math.round(width * zoom);
  const size = { width: wide, height: Math.ceil((height * wide) / width) };
  const [across, down] = [Math.round(size.width * ratio), Math.round(size.height * ratio)];
  useEffect(() => {
    const context = own.current!.getContext('2d')!;
    context.clearRect(0, 0, across, down);
    if (!piece) return;
    if (difference) {
      // Only over something opaque is a difference of two pictures nothing where they are the same.
      context.fillStyle = '#000';
      context.fillRect(0, 0, across, down);
    }
    const at = pieceFrame(received, piece, frame);
    const size = { width: across, height: down };
    context.drawImage(paintedPiece(piece, at, size, across / piece.size.width).canvas, 0, 0);
  }, [piece, received, frame, difference, across, down]);
  const off = (all: number, own: number): number => (own < all ? -((all - own) / 2) % 1 : 0);
  const offset = { left: off(room[0], size.width), top: off(room[1], size.height) };
  const showsPiece = shown === 'piece' || difference;
  return (
    <>
      {error && <Problem role="alert">{error}</Problem>}
      <Stack
        style={{ ...size, ...offset, background: difference ? '#000' : undefined }}
        role="img"
        aria-label="As it is received"
        data-bay="vectors"
      >
        <canvas ref={beneath} width={width} height={height} style={{ opacity: difference ? 0 : 1 }} />
        <div ref={place} style={{ opacity: shown === 'piece' ? 0 : 1 }} />
        <canvas
          ref={own}
          width={across}
          height={down}
          style={{ opacity: showsPiece ? 1 : 0, mixBlendMode: difference ? 'difference' : 'normal' }}
        />
      </Stack>
    </>
  );
}
