import { filterReach, type DrawItem, type ShapeItem } from '../../draw';
import { compactPathData } from '../../geometry';
import { groundsOf, sampleOf, slicesOf, type GroupTrack, type ShapeTrack, type Track } from '../tracks';
import { gliding, held, stepping, ticking, type Clock, type Moving } from './clock';
import { paintOf, type Definitions } from './definitions';
import { element, short } from './element';
import { blackening, filterOf, type Region } from './filters';
import { pathMoves } from './path-moves';

/** What everything in a film is written by. */
export interface Writing {
  readonly clock: Clock;
  readonly defs: Definitions;
  /** Where masks and filters may leave ink. */
  readonly region: Region;
}

/** Whether something is there, as `display` says it; null where it always is. */
function presence({ clock }: Writing, items: readonly (DrawItem | null)[]): Moving | null {
  if (items.every((item) => item !== null)) return null;
  return stepping(
    clock,
    'display',
    items.map((item) => (item ? 'inline' : 'none')),
  );
}

/** Numbers in time, one a frame: opacity, width. */
const number = (
  { clock }: Writing,
  name: string,
  values: readonly (number | null)[],
  off: number,
  digits: number,
) =>
  gliding(
    clock,
    name,
    values.map((value) => (value === null ? null : [value])),
    off,
    ([n]) => short(n!, digits),
  );

/** How an item meets what it lies over, as CSS says it. */
function styleOf({ blend, operator }: DrawItem, isolated = false): string | undefined {
  const mode = blend ?? (operator === 'add' ? 'plus-lighter' : undefined);
  const parts = [...(isolated ? ['isolation:isolate'] : []), ...(mode ? [`mix-blend-mode:${mode}`] : [])];
  return parts.length > 0 ? parts.join(';') : undefined;
}

function shapeElement(writing: Writing, track: ShapeTrack, black: boolean): string {
  const { clock, defs } = writing;
  const { items } = track;
  const first = sampleOf(track);
  const shown = presence(writing, items);
  const path = pathMoves(clock, track);
  const opacity = number(
    writing,
    'opacity',
    items.map((item) => item?.opacity ?? null),
    0.002,
    4,
  );
  const paint: Moving =
    black || typeof first.colour !== 'string'
      ? { value: black ? '#000' : paintOf(first.colour, defs), moves: '' }
      : stepping(clock, first.kind, held(items.map((item) => (item ? (item.colour as string) : null))));
  const width =
    first.kind === 'stroke'
      ? number(
          writing,
          'stroke-width',
          items.map((item) => (item?.kind === 'stroke' ? item.width : null)),
          0.02,
          3,
        )
      : null;
  return element(
    'path',
    {
      ...path.attributes,
      ...(first.kind === 'fill'
        ? { fill: paint.value, 'fill-rule': first.rule }
        : {
            fill: 'none',
            stroke: paint.value,
            'stroke-width': width!.value,
            'stroke-linecap': first.cap === 'butt' ? undefined : first.cap,
            'stroke-linejoin': first.join === 'miter' ? undefined : first.join,
            // Four is what SVG takes it for.
            'stroke-miterlimit': first.join === 'miter' ? first.miterLimit : undefined,
            ...(first.dashes && {
              'stroke-dasharray': first.dashes.map((n) => short(n, 3)).join(' '),
              'stroke-dashoffset': first.dashPhase,
            }),
            transform: first.transform && `matrix(${first.transform.map((n) => short(n, 6)).join(' ')})`,
          }),
      opacity: opacity.value === '1' && !opacity.moves ? undefined : opacity.value,
      display: shown?.value === 'none' ? 'none' : undefined,
      style: styleOf(first),
    },
    (shown?.moves ?? '') + path.moves + opacity.moves + paint.moves + (width?.moves ?? ''),
  );
}

/** The ground of a group through time. */
const groundOf = ({ clock }: Writing, { items }: GroupTrack): string =>
  groundsOf(items)
    .map(({ ground, at }) => {
      const slices = slicesOf(ground).map(({ path, colour, opacity }) =>
        element('path', {
          d: compactPathData(path, 2),
          fill: colour,
          'fill-opacity': opacity < 1 ? short(opacity, 3) : undefined,
        }),
      );
      const { value, moves } = stepping(
        clock,
        'display',
        at.map((there) => (there ? 'inline' : 'none')),
      );
      return at.every(Boolean)
        ? slices.join('')
        : element('g', { display: value === 'none' ? value : undefined }, moves + slices.join(''));
    })
    .join('');

/** A mask of a content, by its alpha or by its brightness. */
function maskOf({ clock, defs, region }: Writing, matte: string, by: 'alpha' | 'luminance'): string {
  const { x, y, width, height } = region;
  const place = { maskUnits: 'userSpaceOnUse', x, y, width, height };
  // Chromium paints a mask anew where something of its own moves, not where only a mask within it does: this moves, and is not seen.
  const isNested = clock.frames > 1 && matte.includes('mask="url(');
  const content = isNested ? element('rect', { width: 0, height: 0 }, ticking(clock, 'x')) + matte : matte;
  return `url(#${defs.id('mask', by + content, (id) =>
    element('mask', { id, ...place, 'mask-type': by === 'alpha' ? 'alpha' : undefined }, content),
  )})`;
}

const whole = (
  { region: { x, y, width, height } }: Writing,
  attributes: Record<string, string>,
  moves = '',
) => element('rect', { x, y, width, height, ...attributes }, moves);

/** What lies in something, one over another; items that cut, keep or lie atop what is below them become masks. */
function stacked(writing: Writing, tracks: readonly Track[], below: string, share?: number): string {
  const { defs, region } = writing;
  let content = below;
  for (const track of tracks) {
    const { operator } = sampleOf(track);
    const own = (black = false) => trackElement(writing, track, black, share);
    if (operator === 'keep') {
      // Where it is absent nothing is taken away.
      const absent = presence(
        writing,
        (track.items as readonly (DrawItem | null)[]).map((item) => (item ? null : ABSENT)),
      );
      const open =
        track.items.every((item) => item !== null) || !absent
          ? ''
          : whole(
              writing,
              { fill: '#fff', ...(absent.value === 'none' && { display: 'none' }) },
              absent.moves,
            );
      // A mask of SVG reads brightness by itself where nothing else is done to it before.
      const bright = isReadByBrightness(track);
      const matte = bright ? trackElement(writing, withoutFirstFilter(track), false, share) : own();
      const mask = maskOf(writing, open + matte, bright ? 'luminance' : 'alpha');
      content = content && element('g', { mask }, content);
    } else if (operator === 'erase') {
      const black =
        track.kind === 'group' ? element('g', { filter: blackening(region, defs) }, own()) : own(true);
      content =
        content &&
        element(
          'g',
          { mask: maskOf(writing, whole(writing, { fill: '#fff' }) + black, 'luminance') },
          content,
        );
    } else if (operator === 'atop') {
      const mask = maskOf(writing, content, 'alpha');
      content += element('g', { mask }, own());
    } else content += own();
  }
  return content;
}
/** Stands for an item where another is absent. */
const ABSENT: ShapeItem = { kind: 'fill', path: [], colour: '#ffffff', opacity: 1 };

const isReadByBrightness = (track: Track): track is GroupTrack =>
  track.kind === 'group' && sampleOf(track).filters?.[0]?.kind === 'alpha from brightness';

const withoutFirstFilter = (track: GroupTrack): GroupTrack => ({
  ...track,
  items: track.items.map((item) => item && { ...item, filters: item.filters?.slice(1) ?? [] }),
});

const blends = (track: Track): boolean => {
  const { blend, operator } = sampleOf(track);
  return Boolean(blend) || operator === 'add';
};

function groupElement(writing: Writing, track: GroupTrack, share?: number): string {
  const { items, children } = track;
  const first = sampleOf(track);
  if (first.picture) {
    const { opacity } = first;
    const drawn = { ...first.picture, preserveAspectRatio: 'none', style: styleOf(first) };
    return element('image', { ...drawn, opacity: opacity < 1 ? short(opacity, 4) : undefined });
  }
  const moments = first.moments ? Math.max(...items.map((item) => item?.items.length ?? 0)) : 0;
  const content = stacked(writing, children, groundOf(writing, track), moments > 0 ? 1 / moments : undefined);
  if (content === '') return '';
  const shown = presence(writing, items);
  const opacity = number(
    writing,
    'opacity',
    items.map((item) => item && item.opacity * (share ?? 1)),
    0.002,
    4,
  );
  const filter = filterOf(items, writing.clock, writing.region, writing.defs);
  return element(
    'g',
    {
      opacity: opacity.value === '1' && !opacity.moves ? undefined : opacity.value,
      filter,
      display: shown?.value === 'none' ? 'none' : undefined,
      style: styleOf(
        share === undefined ? first : { ...first, operator: 'add' },
        children.some(blends) || moments > 0,
      ),
    },
    (shown?.moves ?? '') + opacity.moves + content,
  );
}

function trackElement(writing: Writing, track: Track, black = false, share?: number): string {
  return track.kind === 'shape' ? shapeElement(writing, track, black) : groupElement(writing, track, share);
}

/** All tracks of a picture as elements. */
export function writeTracks(writing: Writing, tracks: readonly Track[]): string {
  const content = stacked(writing, tracks, '');
  return tracks.some(blends) ? element('g', { style: 'isolation:isolate' }, content) : content;
}

/** How far beyond the picture blurs draw ink in, px. */
export function blurBeyond(lists: readonly (readonly DrawItem[])[]): number {
  const seen = new Set<DrawItem>();
  let most = 0;
  const look = (items: readonly DrawItem[]): void => {
    for (const item of items) {
      if (item.kind !== 'group' || seen.has(item)) continue;
      seen.add(item);
      const { blur, shift } = filterReach(item.filters);
      most = Math.max(most, 3 * blur + Math.hypot(shift.x, shift.y));
      look(item.items);
    }
  };
  lists.forEach(look);
  return Math.ceil(most);
}
