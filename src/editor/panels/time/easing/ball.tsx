'use client';
import styled from 'styled-components';
import { ease, type Easing } from '@/core/timing';

const Track = styled.div`
  position: relative;
  height: 12px;
  margin: 0 12px 6px;
  border-bottom: 1px solid var(--rule);
  i {
    position: absolute;
    left: 0;
    width: 8px;
    height: 8px;
    margin-left: -4px;
    border-radius: 50%;
    background: var(--head);
    animation: 1.6s linear infinite both;
  }
`;

/** A ball that goes as the easing goes, with a rest between. */
export function Ball({ easing }: { easing: Easing }) {
  const steps = Array.from({ length: 41 }, (_, i) => {
    const t = i / 40;
    return `${(t * 75).toFixed(2)}% { left: ${(ease(easing, t) * 100).toFixed(2)}%; }`;
  });
  const name = 'obelus-ball';
  return (
    <Track aria-hidden>
      <style>{`@keyframes ${name} { ${steps.join(' ')} 100% { left: 100%; } }`}</style>
      <i style={{ animationName: name }} />
    </Track>
  );
}
