import { PROJECT_FILES } from '@/contract';
import { notify } from '@/ui';
import { sendBytes } from './saving';

/** Opens a project file: as a project of its own, or in the one with this id. */
export async function openProjectFile(file: File, into?: string): Promise<void> {
  // Reading a large one takes a while: it is seen at once that it is under way.
  notify(`Opening “${file.name}” …`);
  const { pieces } = into
    ? await sendBytes(PROJECT_FILES.openInto, { id: into }, file)
    : await sendBytes(PROJECT_FILES.open, {}, file);
  notify(`“${file.name}” is open: ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}.`);
}
