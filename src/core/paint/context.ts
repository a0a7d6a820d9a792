/** As much of a canvas gradient as painting needs. */
export interface PaintGradient {
  addColorStop(offset: number, colour: string): void;
}

/** As much of a canvas pattern as painting needs. */
export interface PaintPattern {
  setTransform(m: {
    readonly a: number;
    readonly b: number;
    readonly c: number;
    readonly d: number;
    readonly e: number;
    readonly f: number;
  }): void;
}

/** As much of a 2D canvas context as painting needs: the browser's and the server's both have it. */
export interface PaintContext {
  readonly canvas: { readonly width: number; readonly height: number };
  globalAlpha: number;
  globalCompositeOperation: string;
  filter: string;
  imageSmoothingEnabled: boolean;
  lineWidth: number;
  lineCap: 'butt' | 'round' | 'square';
  lineJoin: 'bevel' | 'miter' | 'round';
  miterLimit: number;
  strokeStyle: unknown;
  fillStyle: unknown;
  save(): void;
  restore(): void;
  getTransform(): { readonly a: number; readonly d: number; readonly e: number; readonly f: number };
  setTransform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  transform(a: number, b: number, c: number, d: number, e: number, f: number): void;
  beginPath(): void;
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  bezierCurveTo(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  closePath(): void;
  stroke(): void;
  fill(rule?: 'nonzero' | 'evenodd'): void;
  rect(x: number, y: number, width: number, height: number): void;
  clip(): void;
  fillRect(x: number, y: number, width: number, height: number): void;
  clearRect(x: number, y: number, width: number, height: number): void;
  setLineDash(dashes: number[]): void;
  lineDashOffset: number;
  createImageData(width: number, height: number): { readonly data: Uint8ClampedArray };
  getImageData(x: number, y: number, width: number, height: number): { readonly data: Uint8ClampedArray };
  putImageData(image: unknown, x: number, y: number): void;
  /** Of a part of the image alone. */
  putImageData(
    image: unknown,
    x: number,
    y: number,
    left: number,
    top: number,
    width: number,
    height: number,
  ): void;
  createPattern(image: unknown, repetition: 'repeat' | 'no-repeat'): unknown;
  createLinearGradient(x0: number, y0: number, x1: number, y1: number): PaintGradient;
  createRadialGradient(x0: number, y0: number, r0: number, x1: number, y1: number, r1: number): PaintGradient;
}

/** A canvas that something is painted on before it is laid onto another. */
export interface PaintCanvas {
  readonly width: number;
  readonly height: number;
  getContext(kind: '2d'): unknown;
}

/** Makes an empty canvas of whole pixels. */
export type MakeCanvas = (width: number, height: number) => PaintCanvas;
