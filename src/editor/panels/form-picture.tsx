'use client';
import styled from 'styled-components';
import type { Form } from '@/core/ductus';

const Picture = styled.svg`
  width: 100%;
  height: 76px;
  overflow: visible;
  path {
    fill: none;
    stroke: currentColor;
    stroke-width: 2;
    stroke-linecap: round;
    stroke-linejoin: round;
    vector-effect: non-scaling-stroke;
  }
  path.way {
    stroke: var(--tail);
  }
  circle {
    fill: var(--head);
  }
  text {
    fill: var(--head);
    font-family: var(--serif);
    font-style: italic;
  }
`;

/** Letters are told across and downward in shares of their height; a picture has so many units to it. */
const UNITS = 40;
const MARGIN = 10;

/** A form of a letter as a hand writes it: each movement from its dot, numbered where there are several, its end an arrow. */
export function FormPicture({ form }: { form: Form }) {
  const ways = form.movements.map(({ way }) => way.map(({ x, y }) => ({ x: x * UNITS * 0.8, y: y * UNITS })));
  const all = ways.flat();
  const [left, right] = [Math.min(...all.map(({ x }) => x)), Math.max(...all.map(({ x }) => x))];
  const [top, bottom] = [Math.min(...all.map(({ y }) => y)), Math.max(...all.map(({ y }) => y))];
  const box = [left - MARGIN, top - MARGIN, right - left + 2 * MARGIN, bottom - top + 2 * MARGIN];
  return (
    <Picture viewBox={box.map((n) => n.toFixed(1)).join(' ')} aria-hidden>
      {ways.map((way, i) => {
        const [start, end, before] = [way[0]!, way.at(-1)!, way.at(-3)!];
        const line = way.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' L');
        const turn = (Math.atan2(end.y - before.y, end.x - before.x) * 180) / Math.PI;
        return (
          <g key={i}>
            <path d={`M${line}`} />
            <path
              className="way"
              d="M-5,-4 L0,0 L-5,4"
              transform={`translate(${end.x.toFixed(1)} ${end.y.toFixed(1)}) rotate(${turn.toFixed(0)})`}
            />
            <circle cx={start.x} cy={start.y} r={2.6} />
            {ways.length > 1 && (
              // Movements that begin together have their numbers on either side.
              <text x={start.x + (i % 2 === 0 ? -9 : 4)} y={start.y + 1} fontSize={13}>
                {i + 1}
              </text>
            )}
          </g>
        );
      })}
    </Picture>
  );
}
