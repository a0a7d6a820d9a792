import { chooseFiles } from '../choose-files';

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
