import { create } from 'zustand';
import type { Point } from '@/core/geometry';
import { clamp } from '@/core/numbers';

/** How the piece lies in the canvas: CSS pixels a piece pixel, and where its corner is. */
export interface View {
  readonly zoom: number;
  readonly x: number;
  readonly y: number;
  /** Whether the view follows the size of the window. */
  readonly fitted: boolean;
}

interface Size {
  readonly width: number;
  readonly height: number;
}

export const useView = create<View & { viewport: Size }>(() => ({
  zoom: 1,
  x: 0,
  y: 0,
  fitted: true,
  viewport: { width: 0, height: 0 },
}));

const ZOOM = { least: 0.02, most: 64 } as const;
const MARGIN = 28;

export const toScreen = (view: View, p: Point): Point => ({
  x: p.x * view.zoom + view.x,
  y: p.y * view.zoom + view.y,
});
export const toPiece = (view: View, p: Point): Point => ({
  x: (p.x - view.x) / view.zoom,
  y: (p.y - view.y) / view.zoom,
});

/** Shows the whole piece in the middle of the canvas. */
export function fit(size: Size): void {
  const { viewport } = useView.getState();
  if (viewport.width === 0) return;
  const zoom = Math.min(
    (viewport.width - 2 * MARGIN) / size.width,
    (viewport.height - 2 * MARGIN) / size.height,
  );
  useView.setState({
    zoom,
    x: (viewport.width - size.width * zoom) / 2,
    y: (viewport.height - size.height * zoom) / 2,
    fitted: true,
  });
}

/** Zooms by a factor; the point (CSS px in the canvas, its middle by default) stays where it is. */
export function zoomBy(factor: number, around?: Point): void {
  const view = useView.getState();
  const at = around ?? { x: view.viewport.width / 2, y: view.viewport.height / 2 };
  const zoom = clamp(view.zoom * factor, ZOOM.least, ZOOM.most);
  const k = zoom / view.zoom;
  useView.setState({ zoom, x: at.x - (at.x - view.x) * k, y: at.y - (at.y - view.y) * k, fitted: false });
}

export const panBy = (dx: number, dy: number): void =>
  useView.setState(({ x, y }) => ({ x: x + dx, y: y + dy, fitted: false }));
