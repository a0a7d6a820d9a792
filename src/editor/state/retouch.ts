import { joinToNext, crossingsOf, cutAt, nextToJoin } from '@/core/trace';
import { lengthAtPlace, measurePath } from '@/core/geometry';
import { notify } from '@/ui';
import { edit, newId, select, selectedStrokes, singleStroke, useEditor } from './editor-store';

const get = useEditor.getState;

/** Cuts a stroke at lengths from its start, and takes its parts in hand. */
function cut(id: string, lengths: readonly number[]): void {
  const made: string[] = [id];
  edit((piece) =>
    cutAt(piece, id, lengths, () => {
      made.push(newId());
      return made.at(-1)!;
    }),
  );
  select({ layers: made });
}

/** Cuts the selected stroke at its one chosen point; at an end of an open one there is nothing to cut. */
export function splitAtPoint(): void {
  const stroke = singleStroke(get());
  const [at, ...more] = get().selection.points;
  if (!stroke || stroke.locked || at === undefined || more.length > 0) return;
  const { closed, points } = stroke.path;
  if (!closed && (at === 0 || at === points.length - 1)) return;
  cut(stroke.id, [lengthAtPlace(measurePath(stroke.path), { segment: at, t: 0 })]);
}

/** Cuts the selected stroke wherever others cross it, or it crosses itself. */
export function cutAtCrossings(): void {
  const stroke = singleStroke(get());
  if (!stroke || stroke.locked) return;
  const lengths = crossingsOf(get().piece, stroke.id);
  if (lengths.length === 0) notify('Nothing crosses this stroke. It was left whole.');
  else cut(stroke.id, lengths);
}

/** Joins the selected stroke with the one that is written after it, or all selected ones, in the order in which they are written. */
export function joinSelectedToNext(): void {
  const { piece } = get();
  const [first, ...others] = selectedStrokes(get());
  if (!first) return;
  const wanted = others.length > 0 ? others : [nextToJoin(piece, first.id)];
  let joined = piece;
  for (const next of wanted) {
    if (!next || nextToJoin(joined, first.id)?.id !== next.id) {
      notify(
        others.length > 0
          ? 'Only open strokes that are written one after another can be joined. Nothing was changed.'
          : 'There is no open stroke after this one to join it with. Nothing was changed.',
      );
      return;
    }
    joined = joinToNext(joined, first.id);
  }
  const locked = [first, ...wanted].find((stroke) => stroke?.locked);
  if (locked) {
    notify(`“${locked.name}” is locked. Unlock it to join them.`);
    return;
  }
  edit(() => joined);
  select({ layers: [first.id] });
}
