import { withNews } from '@/core/document';
import { notify } from '@/ui';
import { sayWhenSlow, startJob } from '../jobs';
import { edit, useEditor } from '../state';
import { coverWorker } from './cover-client';

/** Fits the strokes that uncover a layer to it, in the worker: nothing is left bare, nothing is seen too early. */
export async function fitStrokes(layer: { readonly id: string; readonly name: string }): Promise<void> {
  const start = useEditor.getState().piece;
  const job = startJob(({ signal }) => coverWorker.run((remote) => remote.fit(start, layer.id), signal));
  void sayWhenSlow(
    job,
    () => `Strokes were fitted to ${layer.name}.`,
    () => useEditor.getState().step === 'reveal',
  );
  const end = await job.settled;
  if (end.status === 'failed') notify(`They could not be fitted: ${end.error.message} Nothing was changed.`);
  if (end.status !== 'done') return;
  if (useEditor.getState().piece !== start) notify('Something was changed meanwhile; nothing was fitted.');
  else edit((piece) => withNews(piece, end.value));
}
