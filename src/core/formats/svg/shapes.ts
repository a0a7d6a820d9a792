import { arcCubics, readPathData, type PathCommand } from '../../geometry';
import { clamp } from '../../numbers';
import { lengthOf, numbersIn } from './values';
import type { Declarations } from './styles';

export interface Viewport {
  readonly width: number;
  readonly height: number;
}

/** An ellipse from its rightmost point, clockwise, as SVG 2, 10.3 and 10.4 draw it. */
function ellipse(cx: number, cy: number, rx: number, ry: number): PathCommand[] {
  const cubics = arcCubics({ centre: { x: cx, y: cy }, rx, ry, turn: 0, start: 0, sweep: 2 * Math.PI });
  return [
    ['M', cx + rx, cy],
    ...cubics.map((c): PathCommand => ['C', c[2], c[3], c[4], c[5], c[6], c[7]]),
    ['Z'],
  ];
}

/** A rectangle from its top left, clockwise, with rounded corners (SVG 2, 10.2). */
function rectangle(x: number, y: number, w: number, h: number, rx: number, ry: number): PathCommand[] {
  if (rx === 0 || ry === 0)
    return [['M', x, y], ['L', x + w, y], ['L', x + w, y + h], ['L', x, y + h], ['Z']];
  const corner = (cx: number, cy: number, start: number): PathCommand => {
    const [c] = arcCubics({ centre: { x: cx, y: cy }, rx, ry, turn: 0, start, sweep: Math.PI / 2 });
    return ['C', c![2], c![3], c![4], c![5], c![6], c![7]];
  };
  return [
    ['M', x + rx, y],
    ['L', x + w - rx, y],
    corner(x + w - rx, y + ry, -Math.PI / 2),
    ['L', x + w, y + h - ry],
    corner(x + w - rx, y + h - ry, 0),
    ['L', x + rx, y + h],
    corner(x + rx, y + h - ry, Math.PI / 2),
    ['L', x, y + ry],
    corner(x + rx, y + ry, Math.PI),
    ['Z'],
  ];
}

/**
 * The outline of a basic shape or path, up to where its data is in error (SVG 2, 9.5.2); null for elements that are none.
 * @param most commands that are read of path data.
 */
export function outlineOf(name: string, a: Declarations, view: Viewport, most: number): PathCommand[] | null {
  const across = (key: string): number => lengthOf(a[key], view.width) ?? 0;
  const down = (key: string): number => lengthOf(a[key], view.height) ?? 0;
  const radius = Math.hypot(view.width, view.height) / Math.SQRT2;
  switch (name) {
    case 'path':
      return [...readPathData(cssPath(a.d) ?? '', most).commands];
    case 'rect': {
      const [w, h] = [across('width'), down('height')];
      if (!(w > 0) || !(h > 0)) return [];
      const [ownX, ownY] = [lengthOf(a.rx, view.width), lengthOf(a.ry, view.height)];
      const rx = clamp(ownX ?? ownY ?? 0, 0, w / 2);
      const ry = clamp(ownY ?? ownX ?? 0, 0, h / 2);
      return rectangle(across('x'), down('y'), w, h, rx, ry);
    }
    case 'circle': {
      const r = lengthOf(a.r, radius) ?? 0;
      return r > 0 ? ellipse(across('cx'), down('cy'), r, r) : [];
    }
    case 'ellipse': {
      const [ownX, ownY] = [lengthOf(a.rx, view.width), lengthOf(a.ry, view.height)];
      const [rx, ry] = [ownX ?? ownY ?? 0, ownY ?? ownX ?? 0];
      return rx > 0 && ry > 0 ? ellipse(across('cx'), down('cy'), rx, ry) : [];
    }
    case 'line':
      return [
        ['M', across('x1'), down('y1')],
        ['L', across('x2'), down('y2')],
      ];
    case 'polyline':
    case 'polygon': {
      const n = numbersIn(a.points);
      const commands = Array.from({ length: n.length >> 1 }, (_, i): PathCommand => [
        i ? 'L' : 'M',
        n[2 * i]!,
        n[2 * i + 1]!,
      ]);
      if (name === 'polygon' && commands.length > 0) commands.push(['Z']);
      return commands;
    }
    default:
      return null;
  }
}

/** `d` as an attribute, or as the CSS property path("…"). */
function cssPath(d: string | undefined): string | undefined {
  if (!d?.startsWith('path(')) return d;
  const inner = d.trimEnd().replace(/\)$/, '').slice(5).trim();
  return /^["']/.test(inner) && inner.length > 1 ? inner.slice(1, -1) : d;
}
