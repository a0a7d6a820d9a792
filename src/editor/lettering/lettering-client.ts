import {
  nameOfText,
  newLettering,
  addLayers,
  changed,
  type Change,
  DEFAULT_INK,
  movedLayer,
  newStroke,
  scaledLayer,
  setText,
  type Lettering,
  type Piece,
  type SetText,
  type TextSetting,
  lettersOf,
} from '@/core/document';
import { LETTERING, type LineFaceId } from '@/contract';
import { transformPath } from '@/core/geometry';
import { layerBounds } from '@/core/scene';
import { notify } from '@/ui';
import { startJob, type Job } from '../jobs';
import { call } from '../saving';
import { edit, newId, select, useEditor } from '../state';

const letteringNow = (id: string): Lettering | undefined =>
  lettersOf(useEditor.getState().piece).find((text) => text.id === id);

/** Settings that were asked for and are not answered yet, by the lettering; an answer to an older one is dropped. */
const asked = new Map<string, { readonly job: Job<SetText>; readonly setting: TextSetting }>();

/**
 * Changes how lettering is set. The text is shaped by the server; until it answers the old shapes stay, and when it
 * can't be reached nothing is changed.
 */
export async function changeSetting(id: string, part: Change<TextSetting>, merge: string): Promise<void> {
  const lettering = letteringNow(id);
  if (!lettering) return;
  const before = asked.get(id);
  before?.job.abort();
  const setting = changed<TextSetting>(before?.setting ?? lettering.setting, part);
  const job = startJob(() => call(LETTERING.set, { body: setting }));
  asked.set(id, { job, setting });
  const end = await job.settled;
  if (asked.get(id)?.job === job) asked.delete(id);
  if (end.status === 'failed') notify(end.error.message);
  // Where it writes itself its strokes follow: see `watchTexts`.
  if (end.status === 'done')
    edit((piece) => setText(piece, id, setting, end.value), `lettering ${id} ${merge}`);
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
  const end = await startJob(() => call(LETTERING.set, { body: setting })).settled;
  if (end.status === 'failed') notify(end.error.message);
  if (end.status !== 'done') return;
  const set = end.value;
  const made = newLettering(newId(), nameOfText(text), setting, set, {
    x: piece.size.width / 2,
    y: Math.round(piece.size.height * 0.58),
  });
  const lettering = filling(made, piece.size);
  edit((p) => addLayers(p, [lettering]));
  select({ layers: [lettering.id] });
  useEditor.setState({ step: 'underlay', tool: 'select' });
}

/** Writes a text in a single-line face: strokes at once, a stroke each pen movement. */
export async function addLineText(text: string, face: LineFaceId): Promise<void> {
  const { piece } = useEditor.getState();
  const size = Math.round(piece.size.height * 0.2);
  const asking = { text, face, size, tracking: 0, leading: 1.3 };
  const end = await startJob(() => call(LETTERING.lines, { body: asking })).settled;
  if (end.status === 'failed') notify(end.error.message);
  if (end.status !== 'done') return;
  const { letters, missing } = end.value;
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
}
