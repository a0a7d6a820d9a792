import { asWholes, standingBox, strokesOf, type Piece } from '@/core/document';
import { unite, type Bounds, type Path, type Point } from '@/core/geometry';
import { SAFE, safeArea } from '@/core/proof';
import { snap, snapAngle, snapBox, type BoxTargets, type Snapped, type SnapTargets } from '@/core/snap';
import { useEditor, useTools } from '../state';
import { REACH } from './hit';
import { useCrosshair } from './crosshair';
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

/** Whether places are drawn to others: a crosshair goes by exact steps. */
const snaps = (): boolean => useTools.getState().snapping && useCrosshair.getState().at === null;

/**
 * A place drawn to what lies within reach of the pointer, or left where it is.
 * @param from where the line comes from, for angles.
 */
export function snapped(
  to: Point,
  targets: SnapTargets,
  from?: Point,
): { point: Point; snap: Snapped | null } {
  if (!snaps()) return { point: to, snap: null };
  const { zoom } = useView.getState();
  const { size } = useEditor.getState().piece;
  const found = snap(to, targets, REACH / zoom, size) ?? (from ? snapAngle(from, to) : null);
  return { point: found?.point ?? to, snap: found };
}

/** A box that is moved, and what it can be drawn to: the other layers and groups as they stand, the picture, guides, safe areas. */
export interface MovingBox {
  readonly box: Bounds;
  readonly targets: BoxTargets;
}

/** More boxes than this are not looked at: nobody aligns by eye to so many. */
const MOST_BOXES = 60;

/** The box round layers and groups that are about to be moved; null where nothing of them is seen. */
export function movingBox(ids: readonly string[]): MovingBox | null {
  const { piece, frame, safeAreas } = useEditor.getState();
  const at = Math.round(frame);
  const boxes = (of: readonly string[]) =>
    asWholes(piece, of).flatMap((id) => standingBox(piece, id, at) ?? []);
  const box = unite(boxes(ids));
  if (!box) return null;
  const still = piece.layers.filter((layer) => !layer.hidden && !ids.includes(layer.id)).map(({ id }) => id);
  const { width, height } = piece.size;
  const edges = ({ left, top, right, bottom }: Bounds, says: string): SnapTargets['lines'] => [
    ...[left, right].map((place) => ({ axis: 'x' as const, at: place, says })),
    ...[top, bottom].map((place) => ({ axis: 'y' as const, at: place, says })),
  ];
  return {
    box,
    targets: {
      boxes: boxes(still).slice(0, MOST_BOXES),
      lines: [
        { axis: 'x', at: width / 2, says: 'middle' },
        { axis: 'y', at: height / 2, says: 'middle' },
        ...edges(safeArea(piece.size, 1), 'edge'),
        ...(safeAreas
          ? [
              ...edges(safeArea(piece.size, SAFE.title), 'title safe'),
              ...edges(safeArea(piece.size, SAFE.action), 'action safe'),
            ]
          : []),
        ...piece.guides.map((guide) => ({ ...guide, says: 'guide' })),
      ],
    },
  };
}

/** The way a box is moved, drawn to what lies within reach of its sides and middles, or left as it is. */
export function snappedWay(moving: MovingBox | null, way: Point): { way: Point; snap: Snapped | null } {
  if (!moving || !snaps()) return { way, snap: null };
  const { left, top, right, bottom } = moving.box;
  const moved = { left: left + way.x, top: top + way.y, right: right + way.x, bottom: bottom + way.y };
  const { size } = useEditor.getState().piece;
  const found = snapBox(moved, moving.targets, REACH / useView.getState().zoom, size);
  if (!found) return { way, snap: null };
  return { way: { x: way.x + found.by.x, y: way.y + found.by.y }, snap: found.snap };
}
