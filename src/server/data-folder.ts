import { join, resolve } from 'node:path';

/** Where files beside the database lie; the start script and the tests set it. */
export const dataFolder = (...parts: string[]): string =>
  join(
    /* turbopackIgnore: true */ resolve(/* turbopackIgnore: true */ process.env.OBELUS_DATA ?? '.data'),
    ...parts,
  );
