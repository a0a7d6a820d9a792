import type { Point } from '@/core/geometry';
import type { ToolMarks } from './tool-marks';

/** What a tool hears of the pointer. */
export interface PointerInput {
  /** In CSS pixels of the canvas. */
  readonly screen: Point;
  /** In piece pixels. */
  readonly point: Point;
  readonly shift: boolean;
  /** Alt: breaks handles apart, takes points out. */
  readonly alt: boolean;
  readonly double: boolean;
  /** 0..1; half where the device knows none. */
  readonly pressure: number;
  /** Degrees from upright. */
  readonly tiltX: number;
  readonly tiltY: number;
  /** Milliseconds of the page's clock. */
  readonly time: number;
}

/**
 * What the pointer does on the canvas. A tool changes the document only through edits; one that moves things begins a drag,
 * which the stage ends or takes back when the pointer is let go or taken away.
 */
export interface CanvasTool {
  down(input: PointerInput): void;
  move(input: PointerInput, pressed: boolean): void;
  up(input: PointerInput): void;
  /** The press was taken back: what the tool itself remembers of it is forgotten. */
  cancel(): void;
  /** Another tool is taken up. */
  leave?(): void;
  marks(): ToolMarks;
  cursor(): string;
}

/** Turns an offset to the nearest multiple of 45° and keeps its length along it. */
export function to45(by: Point): Point {
  const angle = Math.round(Math.atan2(by.y, by.x) / (Math.PI / 4)) * (Math.PI / 4);
  const length = by.x * Math.cos(angle) + by.y * Math.sin(angle);
  return { x: length * Math.cos(angle), y: length * Math.sin(angle) };
}
