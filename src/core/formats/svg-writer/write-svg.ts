import { flatMattes, type DrawList } from '../../draw';
import { tracksOf } from '../tracks';
import type { Clock } from './clock';
import { Definitions, FILE, nameIds } from './definitions';
import { element, short, text } from './element';
import { blurBeyond, writeTracks } from './write-tracks';

/** A film as it is written: its frames one after another, in piece pixels. */
export interface Film {
  readonly name: string;
  /** What each frame shows. */
  readonly lists: readonly DrawList[];
  readonly framesPerSecond: number;
  readonly plays: 'again' | 'once';
  /** The frame, counted within the film, that is seen where animations are not played. */
  readonly still: number;
  /** Pixels the picture is shown at to one of the piece. */
  readonly scale: number;
  /** What lies beneath; where absent nothing does. */
  readonly over?: string;
}

/**
 * What moves, and its still beside it: where motion is to be reduced (Media Queries 5, prefers-reduced-motion) the still is shown instead.
 * By attributes alone, where a page's policy refuses style sheets, it moves.
 */
function orStill(moving: string, still: string): string {
  const [moves, stands] = [`moving-${FILE}`, `still-${FILE}`];
  return [
    element(
      'style',
      {},
      `@media (prefers-reduced-motion:reduce){#${moves}{display:none}#${stands}{display:inline}}`,
    ),
    element('g', { id: moves }, moving),
    element('g', { id: stands, display: 'none' }, still),
  ].join('');
}

/**
 * A film as one SVG file without script: SMIL (SVG Animations Level 2) moves what changes. Strokes that grow are trimmed by
 * their dashes, groups seen through others are masks, blends are CSS; what SVG has no word for stands frame by frame as paths.
 * Of one frame it is a still. Every frame is the draw list that was painted.
 */
export function writeSvg({ name, lists, framesPerSecond, plays, still, scale, over }: Film): string {
  const { width, height } = lists[0]!;
  const clock: Clock = { frames: lists.length, seconds: lists.length / framesPerSecond, plays, still };
  const frames = lists.map(({ items }) => flatMattes(items));
  const beyond = blurBeyond(frames);
  const region = { x: -beyond, y: -beyond, width: width + 2 * beyond, height: height + 2 * beyond };
  const defs = new Definitions();
  const drawn = (shown: typeof frames, by: Clock): string =>
    writeTracks({ clock: by, defs, region }, tracksOf(shown));
  const moving = drawn(frames, clock);
  const content = moving.includes('<animate')
    ? orStill(moving, drawn([frames[still]!], { ...clock, frames: 1, still: 0 }))
    : moving;
  const file = `${element(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width: short(width * scale),
      height: short(height * scale),
      viewBox: `0 0 ${width} ${height}`,
    },
    element('title', {}, text(name)) +
      defs.toString() +
      (over ? element('rect', { width, height, fill: over }) : '') +
      content,
  )}\n`;
  return nameIds(file);
}
