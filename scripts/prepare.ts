// Brings the database to today's tables, puts the sample world there once, and says how much it holds.
import { closeConnection, migrate } from '../src/server/database';
import { endHeavy } from '../src/server/heavy';
import { seed } from '../src/server/seed';
import { makeMissingThumbnails } from '../src/server/thumbnail';
import { holdings } from '../src/server/tidy';
import { SAMPLE_PROJECT } from '../demo';

/** What is wrong with the database, by what PostgreSQL or the system answered; null for what is no fault of its address. */
function addressFault(error: unknown): string | null {
  const { code } = (error as { parent?: { code?: string } }).parent ?? {};
  const faults: Record<string, string> = {
    ECONNREFUSED: 'No database answers there. Is it running, and is the port right?',
    ENOTFOUND: 'The machine it names is not known here.',
    ETIMEDOUT: 'The machine it names does not answer.',
    '28P01': 'The database does not know this user with this password.',
    '28000': 'The database does not let this user in.',
    '3D000': 'There is no database of this name there. Create it first: createdb NAME',
    '42501': 'This user may not make tables there.',
  };
  return faults[code ?? ''] ?? null;
}

try {
  const ran = await migrate();
  for (const name of ran) console.log(`· migrated: ${name}`);
  if (await seed(SAMPLE_PROJECT)) {
    await makeMissingThumbnails();
    console.log(`· put the sample project "${SAMPLE_PROJECT.name}" there`);
  }
  console.log(`· ${await holdings()}`);
} catch (error) {
  const fault = addressFault(error);
  if (!fault) throw error;
  console.error(`\nThe database at DATABASE_URL can’t be used. ${fault}`);
  process.exitCode = 1;
}
endHeavy();
await closeConnection();
