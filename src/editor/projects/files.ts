import { PROJECT_FILES } from '@/contract';
import { notify } from '@/ui';
import { chooseFiles } from '../choose-files';
import { sendBytes } from '../saving';

/** Has the browser save what an address answers. */
export function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}

/** Asks for project files; `take` gets each that is chosen, one after another. */
export const chooseProjectFiles = (take: (file: File) => Promise<void>): void =>
  chooseFiles(
    '.obelus,application/zip',
    async (files) => {
      for (const file of files) await take(file);
    },
    { several: true },
  );

/** Opens a project file: as a project of its own, or in the one with this id. */
export async function openFile(file: File, into?: string): Promise<void> {
  const { pieces } = into
    ? await sendBytes(PROJECT_FILES.openInto, { id: into }, file)
    : await sendBytes(PROJECT_FILES.open, {}, file);
  notify(`“${file.name}” is open: ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}.`);
}
