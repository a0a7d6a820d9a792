// Runs a TypeScript program of the project as one plain script: `node scripts/plain.mjs src/server/worker-main.ts`.
import { pathToFileURL } from 'node:url';
import { plainScript } from './lib/plain-script.mjs';

const [entry = ''] = process.argv.splice(2, 1);
await import(pathToFileURL(await plainScript(entry)).href);
