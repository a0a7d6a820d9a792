import {
  nameOfText,
  newLettering,
  addLayers,
  changeSetting as withPart,
  type Change,
  DEFAULT_INK,
  movedLayer,
  newStroke,
  scaledLayer,
  sameValue,
  setLetters,
  setText,
  type Lettering,
  type LetterSetting,
  type Piece,
  type SetText,
  type TextSetting,
  lettersOf,
  updateLayers,
  writeInSequence,
} from '@/core/document';
import { LETTERING, type LineFaceId } from '@/contract';
import { transformPath, type Point } from '@/core/geometry';
import { layerBounds } from '@/core/scene';
import { withKey } from '@/core/timing';
import { notify } from '@/ui';
import { startJob, type Job } from '../jobs';
import { call } from '../saving';
import { recalledDuctus, rememberForm, withForm } from './ductus-memory';
import { faceFor, namedLetters } from './missing-letters';
import { facesNow } from './use-faces';
import { edit, editFromBase, newId, select, showFrame, useEditor } from '../state';

const letteringNow = (id: string): Lettering | undefined =>
  lettersOf(useEditor.getState().piece).find((text) => text.id === id);

/** Settings that were asked for and are not answered yet, by the lettering; an answer to an older one is dropped. */
const asked = new Map<string, { readonly job: Job<SetText>; readonly setting: TextSetting }>();

/**
 * Changes how lettering is set. The text is shaped by the server; until it answers the old shapes stay, and when it
 * can't be reached nothing is changed.
 * @param then more that is done to the piece with it, as one step.
 */
export async function changeSetting(
  id: string,
  part: Change<TextSetting>,
  merge: string,
  then: (piece: Piece) => Piece = (piece) => piece,
): Promise<void> {
  const lettering = letteringNow(id);
  if (!lettering) return;
  const before = asked.get(id);
  before?.job.abort();
  const from = before?.setting ?? lettering.setting;
  // Another face is written as this person has it written.
  const face = part.face && part.face.id !== from.face.id ? part.face.id : null;
  const setting = withPart(from, face ? { ...part, ductus: recalledDuctus(face) } : part);
  const job = startJob(() => call(LETTERING.set, { body: setting }));
  asked.set(id, { job, setting });
  const end = await job.settled;
  if (asked.get(id)?.job === job) asked.delete(id);
  if (end.status === 'failed') notify(end.error.message);
  // Where it writes itself its strokes follow: see `watchTexts`.
  if (end.status === 'done')
    edit((piece) => then(setText(piece, id, setting, end.value)), `lettering ${id} ${merge}`);
}

/** Keys an axis of a text's face at a frame, where it stands: the text is set all along the axis from then on. */
export function keyAxis(id: string, tag: string, place: number, frame: number): void {
  const lettering = letteringNow(id);
  if (!lettering) return;
  const { face } = lettering.setting;
  const along = [...(face.along ?? []), tag];
  const keyed = { [tag]: withKey(place, frame, place) };
  void changeSetting(id, { face: { ...face, along } }, `key ${tag}`, (piece) =>
    updateLayers(piece, [id], (layer) =>
      layer.type === 'lettering' ? { ...layer, axes: { ...layer.axes, ...keyed } } : layer,
    ),
  );
}

/**
 * Sets some letters of a text unlike the others. Where they are moved, turned, scaled or coloured the shapes they have stay, so
 * that it is seen at once; another form or kerning is shaped by the server.
 */
export function changeLetters(
  id: string,
  places: readonly number[],
  part: (letter: LetterSetting) => Change<LetterSetting>,
  merge: string,
): void {
  const lettering = letteringNow(id);
  if (!lettering) return;
  const setting = setLetters(asked.get(id)?.setting ?? lettering.setting, places, part);
  const shapes = (of: TextSetting) =>
    of.letters
      ?.map(({ at, kern, features }) => [at, kern, features])
      .filter(([, ...own]) => own.some(Boolean));
  if (asked.has(id) || !sameValue(shapes(setting) ?? [], shapes(lettering.setting) ?? []))
    void changeSetting(id, { letters: setting.letters }, merge);
  else {
    const change = (piece: Piece) => setText(piece, id, setting, lettering.set);
    // A drag is one step by itself.
    if (useEditor.getState().base) editFromBase(change);
    else edit(change, `lettering ${id} ${merge}`);
  }
}

/** Has a letter of a text written in a form, or as it fits where that is null; texts set in its face later are written so too. */
export function chooseForm(id: string, letter: string, form: string | null): void {
  const lettering = letteringNow(id);
  if (!lettering) return;
  const { setting, set } = lettering;
  const part = { ductus: withForm(setting.ductus, letter, form) };
  rememberForm(setting.face.id, letter, form);
  if (asked.has(id)) void changeSetting(id, part, `ductus ${letter}`);
  else edit((piece) => setText(piece, id, withPart(setting, part), set));
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
  return movedLayer<Lettering>(scaled, {
    x: Math.round(size.width / 2 - (now.left + now.right) / 2),
    y: Math.round(size.height / 2 - (now.top + now.bottom) / 2),
  });
}

/** What came of a text: lettering, or strokes at once. */
type MadeText = { readonly type: 'lettering'; readonly id: string } | { readonly type: 'strokes' };

/**
 * Sets a text and takes it in hand: as lettering, or in a single-line face as strokes that are written in order. It stands
 * with its baseline at a place of the piece, or fills the middle of it; null where nothing could be set, which is said.
 */
export const addText = (text: string, face: string, at: Point | null = null): Promise<MadeText | null> =>
  face.startsWith('line:')
    ? addLineText(text, face.slice('line:'.length) as LineFaceId, at)
    : addLettering(text, face, at);

/** Whether nothing of a text is seen. */
const isEmpty = ({ outlines }: SetText): boolean => Object.values(outlines).every((data) => data === '');

/** Share of the height of a piece that text takes which is set at a place. */
const SET_SIZE = 0.12;
const LEADING = 1.2;

/** Where the next text stands below one that was set at a place. */
export const lineBelow = ({ x, y }: Point): Point => ({
  x,
  y: y + LEADING * Math.round(useEditor.getState().piece.size.height * SET_SIZE),
});

/** Shows a text that was set where it is worked on; whoever set it at a place decides what is in hand next. */
const takeUp = (at: Point | null): void =>
  useEditor.setState({ step: 'trace', ...(!at && { tool: 'select' as const }) });

async function addLettering(text: string, face: string, at: Point | null): Promise<MadeText | null> {
  const { piece } = useEditor.getState();
  const { size } = piece;
  const setIn = async (id: string) => {
    const ductus = recalledDuctus(id);
    const setting: TextSetting = {
      text,
      // The nearest weight that the face has is taken.
      face: { id, weight: 400 },
      size: Math.round(size.height * (at ? SET_SIZE : 0.28)),
      tracking: 0,
      leading: LEADING,
      align: at ? 'left' : 'centre',
      ...(ductus && { ductus }),
    };
    return { setting, end: await startJob(() => call(LETTERING.set, { body: setting })).settled };
  };
  const first = await setIn(face);
  // A text of which nothing would be seen is set in a face that is made for its letters.
  const lacking = first.end.status === 'done' && isEmpty(first.end.value) ? first.end.value.missing : [];
  const other = lacking.length > 0 ? faceFor(lacking, await facesNow()) : null;
  const { setting, end } = other ? await setIn(other.id) : first;
  if (end.status === 'failed') notify(end.error.message);
  if (end.status !== 'done') return null;
  if (other) notify(`Set in ${other.name}: the face that was chosen has none of these letters.`);
  const set = end.value;
  const middle = { x: size.width / 2, y: Math.round(size.height * 0.58) };
  const made = newLettering(newId(), nameOfText(text), setting, set, at ?? middle);
  const lettering = at ? made : filling(made, size);
  edit((p) => addLayers(p, [lettering]));
  select({ layers: [lettering.id] });
  takeUp(at);
  return { type: 'lettering', id: lettering.id };
}

/** Share of the length of the piece in which single-line strokes are written. */
const WRITTEN_IN = 0.6;

async function addLineText(text: string, face: LineFaceId, at: Point | null): Promise<MadeText | null> {
  const { piece } = useEditor.getState();
  const size = Math.round(piece.size.height * (at ? SET_SIZE : 0.2));
  const asking = { text, face, size, tracking: 0, leading: 1.3 };
  const end = await startJob(() => call(LETTERING.lines, { body: asking })).settled;
  if (end.status === 'failed') notify(end.error.message);
  if (end.status !== 'done') return null;
  const { letters, missing } = end.value;
  const xs = letters.flatMap((l) => l.paths.flatMap((p) => p.points.map((q) => q.x)));
  if (xs.length === 0) {
    notify('None of these letters is in this face. Nothing was changed.');
    return null;
  }
  const to = at ?? {
    x: (piece.size.width - (Math.min(...xs) + Math.max(...xs))) / 2,
    y: piece.size.height * 0.55,
  };
  const strokes = letters.flatMap(({ letter, paths }) =>
    paths.map((path, i) =>
      newStroke(
        newId(),
        paths.length > 1 ? `${letter}, ${i + 1}` : letter,
        transformPath(path, [1, 0, 0, 1, to.x, to.y]),
        { ...DEFAULT_INK, width: Math.max(2, Math.round(size / 20)) },
      ),
    ),
  );
  const ids = strokes.map((stroke) => stroke.id);
  const last = Math.round(piece.length * WRITTEN_IN);
  edit((p) => writeInSequence(addLayers(p, strokes), ids, 0, last));
  select({ layers: ids });
  showFrame(last);
  takeUp(at);
  if (missing.length > 0) notify(`This face lacks ${namedLetters(missing)}; they were left out.`);
  return { type: 'strokes' };
}
