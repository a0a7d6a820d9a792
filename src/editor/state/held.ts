import { notify } from '@/ui';
import { edit, useEditor } from './editor-store';

/** Says what an edit could not change, why, and offers the way out; answers with a function that stops. */
export const sayWhatIsHeld = (): (() => void) =>
  useEditor.subscribe((now, before) => {
    const [first, ...more] = now.held;
    if (now.held === before.held || !first) return;
    const { name, edit: change } = first.wayOut;
    const words = more.length > 0 ? `${first.words} So were ${more.length} more.` : first.words;
    notify(words, { action: { name, run: () => edit(change) } });
  });
