import { withColours } from '../ink';
import type { DrawItem, Filter } from './draw-list';

/** An item in one colour, gradients by their alpha alone; how its colours would have met others is of no account then. */
function inColour(item: DrawItem, colour: string): DrawItem {
  const { blend, ...plain } = item;
  if (plain.kind !== 'group') return { ...plain, colour: withColours(plain.colour, () => colour) };
  return { ...plain, items: plain.items.map((inner) => inColour(inner, colour)) };
}

const BRIGHTNESS: Filter = { kind: 'alpha from brightness' };

/** Whether how much of something is seen follows the brightness of an item. */
const isBright = (item: DrawItem): boolean =>
  item.kind === 'group' && (item.filters ?? []).some(({ kind }) => kind === BRIGHTNESS.kind);

/** Whether an item is as it is painted one over another: nothing in it cuts, and its alpha does not follow colours. */
const isSimple = (item: DrawItem): boolean =>
  item.kind !== 'group' ||
  (!(item.filters ?? []).some(({ kind }) => kind === 'tint' || kind === BRIGHTNESS.kind) &&
    !item.moments &&
    item.items.every((inner) => !inner.operator && isSimple(inner)));

/** Whether anything in an item cuts. */
const hasCuts = (item: DrawItem): boolean =>
  item.kind === 'group' && item.items.some((inner) => inner.operator !== undefined || hasCuts(inner));

/** What lies in a matte, lowest first, where its lowest part is a plain group and could as well stand beside the rest. */
function opened(items: readonly DrawItem[]): readonly DrawItem[] {
  const [first, ...rest] = items;
  const isPlain =
    first?.kind === 'group' &&
    !first.operator &&
    !first.filters &&
    !first.moments &&
    !first.blend &&
    first.opacity === 1;
  return isPlain && hasCuts(first) ? [...opened(first.items), ...rest] : items;
}

/**
 * What covers, as white that lies over black: each cut becomes black laid over what it cuts, which leaves just as much. Null where that
 * can't be said, as something cuts within a part that lies over another.
 */
function whiteOverBlack(items: readonly DrawItem[]): DrawItem[] | null {
  const all = opened(items);
  const isSaid = all.every(
    (item) => (item.operator === undefined || item.operator === 'erase') && isSimple(item),
  );
  if (!isSaid) return null;
  return all.map(({ operator, ...item }) => inColour(item, operator ? '#000000' : '#ffffff'));
}

/** Further out than any picture reaches, px. */
const FAR = 10_000;

/** Whether an item covers the whole of any picture: a box, turned as it may be, that holds one of twice `FAR` a side. */
function coversAll(item: DrawItem): boolean {
  if (item.kind !== 'fill' || item.opacity < 1 || item.path.length !== 5) return false;
  const corners = item.path.flatMap((c) => (c[0] === 'M' || c[0] === 'L' ? [[c[1], c[2]] as const] : []));
  if (corners.length !== 4) return false;
  // A point lies within where all sides go round it the same way.
  const turns = [-FAR, FAR].flatMap((x) =>
    [-FAR, FAR].flatMap((y) =>
      corners.map(([ax, ay], i) => {
        const [bx, by] = corners[(i + 1) % 4]!;
        return Math.sign((bx - ax) * (y - ay) - (by - ay) * (x - ax));
      }),
    ),
  );
  return turns.every((turn) => turn === turns[0] && turn !== 0);
}

/**
 * A matte that covers and then is cut, as mattes one after another: what is kept of all that covers, and of that what each cut leaves. Null
 * where something covers after a cut.
 */
function oneAfterAnother(matte: DrawItem): DrawItem[] | null {
  if (matte.kind !== 'group' || matte.filters || matte.moments || matte.opacity !== 1) return null;
  const items = opened(matte.items);
  const cut = items.findIndex((item) => item.operator === 'erase' || item.operator === 'keep');
  if (cut < 1) return null;
  const [covers, cuts] = [items.slice(0, cut), items.slice(cut)];
  if (cuts.some(({ operator }) => operator !== 'erase' && operator !== 'keep')) return null;
  const [first] = covers;
  const isWhole = covers.length === 1 && coversAll(first!);
  if (matte.operator === 'keep')
    return isWhole ? cuts : [{ kind: 'group', items: covers, opacity: 1, operator: 'keep' }, ...cuts];
  // What cuts everything but a part leaves that part.
  const [only] = cuts;
  return isWhole && cuts.length === 1 && only!.operator === 'erase' ? [{ ...only!, operator: 'keep' }] : null;
}

const flattened = new WeakMap<DrawItem, readonly DrawItem[]>();

function flat(item: DrawItem): readonly DrawItem[] {
  if (item.kind !== 'group') return [item];
  const found = flattened.get(item);
  if (found) return found;
  const inner: DrawItem = { ...item, items: flatMattes(item.items) };
  let made: readonly DrawItem[] = [inner];
  if ((item.operator === 'keep' || item.operator === 'erase') && !isBright(item) && hasCuts(item)) {
    const row = oneAfterAnother(inner);
    const lit = row === null && item.operator === 'keep' ? whiteOverBlack(inner.items) : null;
    if (row) made = row.flatMap(flat);
    else if (lit) made = [{ ...inner, items: lit, filters: [BRIGHTNESS, ...(item.filters ?? [])] }];
  }
  flattened.set(item, made);
  return made;
}

/**
 * Items whose mattes hold no mattes of their own where that can be said otherwise: as mattes one after another, or with cuts as black over
 * white, read by brightness. Browsers paint a matte within a matte once and not again when it moves (Chromium 156, seen); some players
 * don't paint it at all. The same items again for the same item.
 */
export const flatMattes = (items: readonly DrawItem[]): DrawItem[] => items.flatMap(flat);

/**
 * Items whose mattes are white and whose cuts are black: whoever reads a matte by its brightness and not by its alpha reads the
 * same. (Masks of PDF 1.7, 11.6.5.2, are read either way; programs that make them of SVG read brightness alone.)
 */
export const plainMattes = (items: readonly DrawItem[]): DrawItem[] =>
  items.map((item): DrawItem => {
    const inner: DrawItem = item.kind === 'group' ? { ...item, items: plainMattes(item.items) } : item;
    if (inner.operator === 'keep' && !isBright(inner)) return inColour(inner, '#ffffff');
    return inner.operator === 'erase' ? inColour(inner, '#000000') : inner;
  });
