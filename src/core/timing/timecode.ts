import { framesPerSecond, type Rate } from './rate';

/** Frames numbered in one second of timecode: the rate rounded up. */
const nominal = (rate: Rate): number => Math.round(framesPerSecond(rate));

/** Drop-frame numbering is for the 1000/1001 rates of 30 and its multiples (SMPTE ST 12-1). */
const isDropFrame = (rate: Rate): boolean => rate.denominator === 1001 && nominal(rate) % 30 === 0;

const pad = (n: number): string => String(n).padStart(2, '0');

/**
 * The timecode of a frame, HH:MM:SS:FF, with `;` before the frames where numbers are dropped: the first two (four at
 * 59.94) of every minute but each tenth, so that one hour of 29.97 is 107 892 frames. Source: SMPTE ST 12-1.
 * Negative frames count from zero with a minus sign.
 */
export function timecode(frame: number, rate: Rate): string {
  if (frame < 0) return `-${timecode(-frame, rate)}`;
  const fps = nominal(rate);
  let n = Math.floor(frame);
  const drop = isDropFrame(rate);
  if (drop) {
    const dropped = fps / 15;
    const perTen = fps * 600 - 9 * dropped;
    const perMinute = fps * 60 - dropped;
    const rest = n % perTen;
    n += 9 * dropped * Math.floor(n / perTen);
    if (rest >= fps * 60) n += dropped * (1 + Math.floor((rest - fps * 60) / perMinute));
  }
  const seconds = Math.floor(n / fps);
  return `${pad(Math.floor(seconds / 3600))}:${pad(Math.floor(seconds / 60) % 60)}:${pad(seconds % 60)}${
    drop ? ';' : ':'
  }${pad(n % fps)}`;
}

/** The frame at a timecode; null where the fields are out of range or name a dropped number. */
function frameOfTimecode(fields: readonly number[], rate: Rate): number | null {
  const [frames = 0, seconds = 0, minutes = 0, hours = 0] = [...fields].reverse();
  const fps = nominal(rate);
  if (frames >= fps || seconds > 59 || minutes > 59) return null;
  const totalMinutes = hours * 60 + minutes;
  let n = (totalMinutes * 60 + seconds) * fps + frames;
  if (isDropFrame(rate)) {
    const dropped = fps / 15;
    if (seconds === 0 && frames < dropped && minutes % 10 !== 0) return null;
    n -= dropped * (totalMinutes - Math.floor(totalMinutes / 10));
  }
  return n;
}

/** One moment without a sign: frames before they are rounded, or null. */
function readMoment(text: string, rate: Rate): number | null {
  const plain = /^(\d+(?:\.\d+)?)\s*(fr|f|s)?$/.exec(text);
  if (plain) return Number(plain[1]) * (plain[2] === 's' ? framesPerSecond(rate) : 1);
  if (!/^\d+([:;]\d+){1,3}$/.test(text)) return null;
  const numbers = text.split(/[:;]/).map(Number);
  return numbers.length === 3
    ? // Where numbers are dropped most minutes begin with none of their own: the next that has one is meant.
      (frameOfTimecode([...numbers, 0], rate) ?? frameOfTimecode([...numbers, nominal(rate) / 15], rate))
    : frameOfTimecode(numbers, rate);
}

/** A moment, perhaps times or by numbers: `3 s × 2`, `100/3`. */
function readProduct(text: string, rate: Rate): number | null {
  const [first, ...rest] = text.split(/([*×/÷])/);
  let value = readMoment(first!.trim(), rate);
  for (let i = 0; i < rest.length; i += 2) {
    const factor = rest[i + 1]!.trim();
    if (value === null || !/^\d+(\.\d+)?$/.test(factor)) return null;
    value = '*×'.includes(rest[i]!) ? value * Number(factor) : value / Number(factor);
  }
  return value !== null && Number.isFinite(value) ? value : null;
}

/**
 * Reads a moment or a duration as people type it: `86`, `86 fr`, `3.4 s`, `00:00:03:11`, `3:11` (seconds and frames) or
 * `1:00:00` (hours, minutes and seconds), and sums of them, as `2:00 + 12` or `3 s × 2 - 1`. A bare number counts frames.
 * @returns frames, rounded to whole ones; null where it can't be read.
 */
export function parseTime(text: string, rate: Rate): number | null {
  // Every odd one is a sign; what stands before a leading sign is empty.
  const [first, ...rest] = text
    .trim()
    .toLowerCase()
    .split(/([-−+])/);
  const leads = first === '' && rest.length > 0;
  let sum = leads ? 0 : readProduct(first!, rate);
  for (let i = 0; i < rest.length; i += 2) {
    const term = readProduct(rest[i + 1]!, rate);
    if (sum === null || term === null) return null;
    sum += rest[i] === '+' ? term : -term;
  }
  // No moment is −0.
  return sum === null ? null : Math.round(sum) + 0;
}
