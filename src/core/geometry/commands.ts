/**
 * A path ready to be drawn, in the commands that SVG 2 (9.3) and the canvas share: move, line, cubic, close.
 * Absolute coordinates in piece pixels. Plain values, so a draw list can travel as JSON.
 */
export type PathCommand =
  | readonly ['M', x: number, y: number]
  | readonly ['L', x: number, y: number]
  | readonly ['C', x1: number, y1: number, x2: number, y2: number, x: number, y: number]
  | readonly ['Z'];
