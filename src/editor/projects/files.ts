import { PROJECT_FILES } from '@/contract';
import { notify } from '@/ui';
import { sendBytes } from '../saving';

/** Has the browser save what an address answers. */
export function download(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}

/** Asks for project files; `take` gets each that is chosen. */
export function chooseFiles(take: (file: File) => Promise<void>): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = '.obelus,application/zip';
  input.multiple = true;
  input.onchange = async () => {
    for (const file of input.files ?? []) await take(file);
  };
  input.click();
}

/** Opens a project file: as a project of its own, or in the one with this id. */
export async function openFile(file: File, into?: string): Promise<void> {
  const { pieces } = into
    ? await sendBytes(PROJECT_FILES.openInto, { id: into }, file)
    : await sendBytes(PROJECT_FILES.open, {}, file);
  notify(`“${file.name}” is open: ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}.`);
}
