import { strokesOf, type Piece } from '@/core/document';
import type { Path, Point } from '@/core/geometry';
import { snap, snapAngle, type Snapped, type SnapTargets } from '@/core/snap';
import { useEditor, useTools } from '../state';
import { REACH } from './hit';
import { useView } from './view';

/** Lines of an underlay's edges and middles. */
function underlayLines({ underlays }: Piece): SnapTargets['lines'] {
  return underlays
    .filter((underlay) => !underlay.hidden)
    .flatMap(({ x, y, width, height, scale }) => {
      const [right, bottom] = [x + width * scale, y + height * scale];
      return [
        ...[x, right].map((at) => ({ axis: 'x' as const, at, says: 'underlay' })),
        ...[y, bottom].map((at) => ({ axis: 'y' as const, at, says: 'underlay' })),
      ];
    });
}

/** All a place may be drawn to now, without the strokes and points that are themselves on the move. */
export function snapTargets(moving: {
  strokes?: readonly string[];
  path?: Path;
  points?: readonly number[];
}): SnapTargets {
  const { piece, safeAreas } = useEditor.getState();
  const { width, height } = piece.size;
  const still = strokesOf(piece).filter((s) => !s.hidden && !moving.strokes?.includes(s.id));
  const own = moving.path?.points.filter((_, i) => !moving.points?.includes(i)) ?? [];
  const points = [
    ...still.flatMap((s) => s.path.points.map((p) => ({ x: p.x, y: p.y, says: `point of ${s.name}` }))),
    ...own.map((p) => ({ x: p.x, y: p.y, says: 'point' })),
  ];
  const safe = safeAreas
    ? [0.05, 0.95].flatMap((share) => [
        { axis: 'x' as const, at: width * share, says: 'title safe' },
        { axis: 'y' as const, at: height * share, says: 'title safe' },
      ])
    : [];
  return {
    points,
    paths: still.map((s) => s.path),
    lines: [
      { axis: 'x', at: width / 2, says: 'middle' },
      { axis: 'y', at: height / 2, says: 'middle' },
      ...piece.guides.map((guide) => ({ ...guide, says: 'guide' })),
      ...underlayLines(piece),
      ...safe,
      // In line with other points of the same stroke: level with them, or over them.
      ...own.flatMap((p) => [
        { axis: 'x' as const, at: p.x, says: 'in line with a point' },
        { axis: 'y' as const, at: p.y, says: 'in line with a point' },
      ]),
    ],
    grid: useTools.getState().grid,
  };
}

/**
 * A place drawn to what lies within reach of the pointer, or left where it is.
 * @param from where the line comes from, for angles.
 */
export function snapped(
  to: Point,
  targets: SnapTargets,
  from?: Point,
): { point: Point; snap: Snapped | null } {
  if (!useTools.getState().snapping) return { point: to, snap: null };
  const { zoom } = useView.getState();
  const { size } = useEditor.getState().piece;
  const found = snap(to, targets, REACH / zoom, size) ?? (from ? snapAngle(from, to) : null);
  return { point: found?.point ?? to, snap: found };
}
