import { commandsBounds, type Bounds, type PathCommand } from '../geometry';
import { RIB_SIZE, type ColourRibbon } from '../ink';
import type { MakeCanvas } from './context';
import { keeper } from './kept';
import { HEM, ribbonField, type Placing, type RibbonField } from './ribbon-field';

/** A field and where it lies: the canvas pixel from which its columns and rows are counted. */
export interface PlacedField {
  readonly field: RibbonField;
  readonly left: number;
  readonly top: number;
}

/** Pixels of fields that are kept, of about 4 bytes each. */
const MOST = 4_000_000;

const fields = keeper<readonly number[], RibbonField>(MOST, ({ along }) => along.length);

const boundsOf = new WeakMap<readonly number[], Bounds | null>();

function ribsBounds(ribs: readonly number[]): Bounds | null {
  let bounds = boundsOf.get(ribs);
  if (bounds === undefined) {
    const path: PathCommand[] = [];
    for (let i = 0; i < ribs.length; i += RIB_SIZE) path.push(['L', ribs[i]!, ribs[i + 1]!]);
    boundsOf.set(ribs, (bounds = commandsBounds(path)));
  }
  return bounds;
}

/**
 * The field of a ribbon among the pixels of a canvas, kept while path and place stay what they are: then a frame only looks up
 * how far along the path each pixel lies. Null where none of it lies on the canvas.
 */
export function fieldOf(
  ribbon: ColourRibbon,
  at: Placing,
  canvas: { readonly width: number; readonly height: number },
  make: MakeCanvas,
): PlacedField | null {
  const { ribs, half, reach } = ribbon;
  const bounds = ribsBounds(ribs);
  if (!bounds) return null;
  // Counted from whole pixels, so that a canvas that begins elsewhere has the same field.
  const [x, y] = [Math.floor(at.x), Math.floor(at.y)];
  const part = { scale: at.scale, x: at.x - x, y: at.y - y };
  // At corners ribs lean out as far again.
  const margin = 2 * (reach * at.scale + HEM) + 2;
  const box = {
    left: Math.floor(bounds.left * at.scale + part.x - margin),
    top: Math.floor(bounds.top * at.scale + part.y - margin),
    right: Math.ceil(bounds.right * at.scale + part.x + margin),
    bottom: Math.ceil(bounds.bottom * at.scale + part.y + margin),
  };
  const within = {
    left: Math.max(box.left, -x),
    top: Math.max(box.top, -y),
    right: Math.min(box.right, canvas.width - x),
    bottom: Math.min(box.bottom, canvas.height - y),
  };
  if (within.left >= within.right || within.top >= within.bottom) return null;
  const { left, top, right, bottom } = within;
  const how = [part.scale, part.x, part.y, half, reach, left, top, right, bottom];
  const placed = (field: RibbonField): PlacedField => ({ field, left: within.left + x, top: within.top + y });
  const kept = fields.get(make, ribs, how);
  if (kept) return placed(kept);
  const field = ribbonField(ribbon, part, within);
  const again = fields.isMadeAgain(make, ribs, how);
  if (again && field.along.length <= MOST / 2) fields.put(make, ribs, how, field);
  return placed(field);
}
