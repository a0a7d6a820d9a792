// Brings the database to today's tables and puts the sample world there once.
import { closeConnection, migrate } from '../src/server/database';
import { seed } from '../src/server/seed';
import { SAMPLE_PROJECT } from '../demo';

const ran = await migrate();
for (const name of ran) console.log(`· migrated: ${name}`);
if (await seed(SAMPLE_PROJECT)) console.log(`· put the sample project "${SAMPLE_PROJECT.name}" there`);
await closeConnection();
