'use client';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import { inTurn } from './in-turn';

/** While there is none, browsers draw a frame round where it will be. */
const Picture = styled.img`
  &:not([src]) {
    visibility: hidden;
  }
`;

/** A picture that the server may have yet to make: it is asked for when it comes into sight, and in its turn. */
export function PictureInTurn({ src }: { src: string }) {
  const image = useRef<HTMLImageElement>(null);
  useEffect(() => {
    const element = image.current!;
    let leave: (() => void) | null = null;
    const observer = new IntersectionObserver(
      ([entry]) => {
        if (!entry!.isIntersecting) return;
        observer.disconnect();
        leave = inTurn((done) => {
          element.onload = done;
          element.onerror = done;
          element.src = src;
        });
      },
      { rootMargin: '300px' },
    );
    observer.observe(element);
    return () => {
      observer.disconnect();
      // One that is still on its way is asked for no more.
      if (!element.complete) element.removeAttribute('src');
      leave?.();
    };
  }, [src]);
  // It is made by the server at this very size; there is nothing for next/image to do.
  return <Picture ref={image} alt="" />;
}
