import { rampAt, type Stop } from '../colour';
import { RIB, type ColourRibbon } from '../ink';

/** Colours of a ramp, evenly spread, as bytes in the order red, green, blue, alpha. */
const STEPS = 512;
const ramps = new WeakMap<readonly Stop[], Uint8ClampedArray>();

function rampOf(stops: readonly Stop[]): Uint8ClampedArray {
  let ramp = ramps.get(stops);
  if (!ramp) {
    ramp = new Uint8ClampedArray(4 * (STEPS + 1));
    for (let i = 0; i <= STEPS; i++) {
      const { colour, opacity } = rampAt(stops, i / STEPS);
      const value = Number.parseInt(colour.slice(1), 16);
      ramp.set([value >> 16, (value >> 8) & 255, value & 255, Math.round(opacity * 255)], 4 * i);
    }
    ramps.set(stops, ramp);
  }
  return ramp;
}

/** Where a picture lies: canvas pixels to one of the piece, and the piece's origin in its pixels. */
export interface Placing {
  readonly scale: number;
  readonly x: number;
  readonly y: number;
}

/** Pixels that a slice reaches beyond its ribs, so that none is left between two. */
const LAP = 0.5;
/** Pixels that the ground is wider than the stroke, so that its soft edge is fully coloured. */
const HEM = 2.5;

/**
 * Paints a ribbon into pixels (unmultiplied red, green, blue, alpha). Between two ribs a pixel has the colour of the share
 * of its distances to them: exact on the ribs, without steps between. Where a part lies over an earlier one its edge is
 * soft. What ribs leave bare where the path bends tighter than the stroke is wide takes the colour of the nearest.
 */
export function paintRibbon(
  { ribs, reach, stops }: ColourRibbon,
  pixels: Uint8ClampedArray,
  width: number,
  height: number,
  at: Placing,
): void {
  const ramp = rampOf(stops);
  // Whole pixels at a time: both sides are in the machine's own order of bytes.
  const whole = new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.length / 4);
  const wholeRamp = new Uint32Array(ramp.buffer);
  /** `cover` is how much of a pixel the stroke covers; what no earlier part has coloured is coloured anyhow. */
  const put = (to: number, step: number, cover: number): void => {
    if (cover >= 1 || whole[to] === 0) {
      whole[to] = wholeRamp[step]!;
      return;
    }
    if (cover <= 0) return;
    const [from, on] = [4 * step, 4 * to];
    const above = ramp[from + 3]! * cover;
    const under = pixels[on + 3]! * (1 - cover);
    const alpha = above + under;
    if (alpha <= 0) return;
    for (let c = 0; c < 3; c++) pixels[on + c] = (ramp[from + c]! * above + pixels[on + c]! * under) / alpha;
    pixels[on + 3] = alpha;
  };
  const stepOf = (share: number): number => Math.round(Math.min(1, Math.max(0, share)) * STEPS);
  const far = reach * at.scale + HEM;
  const count = ribs.length / RIB.size;
  const rib = (i: number, part: number): number => ribs[i * RIB.size + part]!;
  /** Colours what is still bare around a rib. */
  const fillAround = (i: number, radius: number): void => {
    const [cx, cy] = [rib(i, RIB.x) * at.scale + at.x, rib(i, RIB.y) * at.scale + at.y];
    const colour = wholeRamp[stepOf(rib(i, RIB.share))]!;
    const left = Math.max(0, Math.floor(cx - radius));
    const right = Math.min(width - 1, Math.ceil(cx + radius));
    const top = Math.max(0, Math.floor(cy - radius));
    const bottom = Math.min(height - 1, Math.ceil(cy + radius));
    for (let y = top; y <= bottom; y++) {
      for (let x = left; x <= right; x++) {
        const near = (x + 0.5 - cx) ** 2 + (y + 0.5 - cy) ** 2 <= radius * radius;
        if (near && whole[y * width + x] === 0) whole[y * width + x] = colour;
      }
    }
  };
  for (let i = 0; i + 1 < count; i++) {
    const [ax, ay] = [rib(i, RIB.x) * at.scale + at.x, rib(i, RIB.y) * at.scale + at.y];
    const [bx, by] = [rib(i + 1, RIB.x) * at.scale + at.x, rib(i + 1, RIB.y) * at.scale + at.y];
    const [atx, aty] = [rib(i, RIB.alongX), rib(i, RIB.alongY)];
    const [btx, bty] = [rib(i + 1, RIB.alongX), rib(i + 1, RIB.alongY)];
    const [s0, s1] = [rib(i, RIB.share), rib(i + 1, RIB.share)];
    const [h0, h1] = [rib(i, RIB.half) * at.scale, rib(i + 1, RIB.half) * at.scale];
    const wide = Math.max(h0, h1) + HEM;
    const [dx, dy] = [bx - ax, by - ay];
    const d = Math.sqrt(dx * dx + dy * dy);
    if (d < 1e-6) continue;
    const [ux, uy] = [dx / d, dy / d];
    const lean = Math.min(atx * ux + aty * uy, btx * ux + bty * uy);
    // Ribs that lean from the way between them reach far out at a corner.
    const side = lean < 0.97 ? far : wide;
    const back = i === 0 ? far : LAP;
    const on = i + 2 === count ? far : LAP;
    // What the slice may cover: its way, widened to its sides and to what its ribs lean out.
    const [sx, sy] = [Math.abs(uy) * side, Math.abs(ux) * side];
    const slack = side * Math.sqrt(Math.max(0, 1 - lean * lean));
    const [ex, ey, fx, fy] = [ax - ux * back, ay - uy * back, bx + ux * on, by + uy * on];
    const left = Math.max(0, Math.floor(Math.min(ex, fx) - sx - slack));
    const right = Math.min(width - 1, Math.ceil(Math.max(ex, fx) + sx + slack));
    const top = Math.max(0, Math.floor(Math.min(ey, fy) - sy - slack));
    const bottom = Math.min(height - 1, Math.ceil(Math.max(ey, fy) + sy + slack));
    /** The part of a row in which `value + slope · x` is not negative, x counted from `left`. */
    let [first, last] = [0, 0];
    const within = (value: number, slope: number): void => {
      if (slope > 1e-12) first = Math.max(first, Math.ceil(-value / slope));
      else if (slope < -1e-12) last = Math.min(last, Math.floor(value / -slope));
      else if (value < 0) last = -1;
    };
    for (let y = top; y <= bottom; y++) {
      const [rx, ry] = [left + 0.5 - ax, y + 0.5 - ay];
      const across = rx * uy - ry * ux;
      const behind = rx * atx + ry * aty;
      const ahead = (bx - left - 0.5) * btx + (by - y - 0.5) * bty;
      [first, last] = [0, right - left];
      within(side - across, -uy);
      within(side + across, uy);
      within(behind + back, atx);
      within(ahead + on, -btx);
      within(behind + ahead - 1e-9, atx - btx);
      // The innermost loop of all painting: the common case, a pixel not coloured yet, is written out.
      const row = y * width + left;
      const spread = s1 - s0;
      for (let k = first; k <= last; k++) {
        const gone = behind + k * atx;
        const t = gone / (gone + ahead - k * btx);
        const share = s0 + spread * t;
        const step = share <= 0 ? 0 : share >= 1 ? STEPS : (share * STEPS + 0.5) | 0;
        if (whole[row + k] === 0) whole[row + k] = wholeRamp[step]!;
        else put(row + k, step, h0 + (h1 - h0) * t + 0.5 - Math.abs(across + k * uy));
      }
    }
    // Where ribs cross within the stroke's width, they leave a part of it bare.
    if (lean < 0.97 && wide * Math.sqrt(1 - lean * lean) > 0.4 * d) {
      fillAround(i, wide);
      fillAround(i + 1, wide);
    }
  }
  if (count > 0) {
    fillAround(0, far);
    fillAround(count - 1, far);
  }
}
