import { chooseFiles } from '../choose-files';

/** Asks for project files; `take` gets each that is chosen, one after another. */
export const chooseProjectFiles = (take: (file: File) => Promise<void>): void =>
  chooseFiles(
    '.obelus,application/zip',
    async (files) => {
      for (const file of files) await take(file);
    },
    { several: true },
  );
