import {
  addLayers,
  changed,
  type Change,
  DEFAULT_INK,
  movedLayer,
  newStroke,
  scaledLayer,
  updateLayers,
  type Lettering,
  type Piece,
  type SetText,
  type TextSetting,
} from '@/core/document';
import { transformPath, type Path } from '@/core/geometry';
import { layerBounds } from '@/core/scene';
import { letteringChanged } from '../reveal';
import { notify } from '@/ui';
import { call } from '../saving';
import { edit, newId, select, useEditor } from '../state';

/** What was asked for last for each lettering, so that an answer that comes late is dropped. */
const asked = new Map<string, number>();
let count = 0;

const letteringNow = (id: string): Lettering | null => {
  const layer = useEditor.getState().piece.layers.find((l) => l.id === id);
  return layer?.type === 'lettering' ? layer : null;
};

/** Settings that were asked for and not yet answered. */
const pending = new Map<string, TextSetting>();

/**
 * Changes how lettering is set. The text is shaped by the server; until it answers the old shapes stay, and when it
 * can't be reached nothing is changed.
 */
export async function changeSetting(id: string, part: Change<TextSetting>, merge: string): Promise<void> {
  const lettering = letteringNow(id);
  if (!lettering) return;
  const setting = changed<TextSetting>(pending.get(id) ?? lettering.setting, part);
  pending.set(id, setting);
  const mine = ++count;
  asked.set(id, mine);
  try {
    const set = await call<SetText>('POST', '/api/lettering', setting);
    if (asked.get(id) !== mine) return;
    pending.delete(id);
    edit(
      (piece) =>
        updateLayers(piece, [id], (layer) =>
          layer.type === 'lettering' ? { ...layer, setting, set } : layer,
        ),
      `lettering ${id} ${merge}`,
    );
    letteringChanged(lettering);
  } catch (error) {
    if (asked.get(id) !== mine) return;
    pending.delete(id);
    notify((error as Error).message);
  }
}

/** The lettering as large as fills most of the piece, in its middle. */
function filling(lettering: Lettering, size: Piece['size']): Lettering {
  const bounds = layerBounds(lettering);
  if (!bounds) return lettering;
  const k = Math.min(
    (0.72 * size.width) / (bounds.right - bounds.left),
    (0.5 * size.height) / (bounds.bottom - bounds.top),
  );
  const rounded = Math.max(1, Math.round(lettering.setting.size * k)) / lettering.setting.size;
  const scaled = scaledLayer(lettering, rounded, { x: 0, y: 0 });
  const now = layerBounds(scaled) ?? bounds;
  return movedLayer(scaled, {
    x: Math.round(size.width / 2 - (now.left + now.right) / 2),
    y: Math.round(size.height / 2 - (now.top + now.bottom) / 2),
  }) as Lettering;
}

/** Puts new lettering in the middle of the piece and takes it in hand. */
export async function addLettering(
  text: string,
  face: TextSetting['face'] = { id: 'sacramento', weight: 400 },
): Promise<void> {
  const { piece } = useEditor.getState();
  const setting: TextSetting = {
    text,
    face,
    size: Math.round(piece.size.height * 0.28),
    tracking: 0,
    leading: 1.2,
    align: 'centre',
  };
  try {
    const set = await call<SetText>('POST', '/api/lettering', setting);
    const made: Lettering = {
      type: 'lettering',
      id: newId(),
      name: text.slice(0, 60),
      hidden: false,
      locked: false,
      opacity: 1,
      colour: DEFAULT_INK.colour,
      x: piece.size.width / 2,
      y: Math.round(piece.size.height * 0.58),
      setting,
      set,
    };
    const lettering = filling(made, piece.size);
    edit((p) => addLayers(p, [lettering]));
    select({ layers: [lettering.id] });
    useEditor.setState({ step: 'underlay', tool: 'select' });
  } catch (error) {
    notify((error as Error).message);
  }
}

/** Writes a text in a single-line face: strokes at once, a stroke each pen movement. */
export async function addLineText(text: string, face: string): Promise<void> {
  const { piece } = useEditor.getState();
  const size = Math.round(piece.size.height * 0.2);
  try {
    const { letters, missing } = await call<{
      letters: { letter: string; paths: Path[] }[];
      missing: string[];
    }>('POST', '/api/lettering/lines', { text, face, size, tracking: 0, leading: 1.3 });
    const xs = letters.flatMap((l) => l.paths.flatMap((p) => p.points.map((q) => q.x)));
    if (xs.length === 0) {
      notify('None of these letters is in this face. Nothing was changed.');
      return;
    }
    const dx = (piece.size.width - (Math.min(...xs) + Math.max(...xs))) / 2;
    const strokes = letters.flatMap(({ letter, paths }) =>
      paths.map((path, i) =>
        newStroke(
          newId(),
          paths.length > 1 ? `${letter}, ${i + 1}` : letter,
          transformPath(path, [1, 0, 0, 1, dx, piece.size.height * 0.55]),
          { ...DEFAULT_INK, width: Math.max(2, Math.round(size / 20)) },
        ),
      ),
    );
    edit((p) => addLayers(p, strokes));
    select({ layers: strokes.map((stroke) => stroke.id) });
    if (missing.length > 0)
      notify(`This face lacks ${missing.map((m) => `“${m}”`).join(', ')}; they were left out.`);
  } catch (error) {
    notify((error as Error).message);
  }
}
