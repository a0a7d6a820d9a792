// `npm run worker`: an export worker, on this or another machine; `npm start` starts one of its own.
import { pathToFileURL } from 'node:url';
import { plainScript } from './lib/plain-script.mjs';

await import(pathToFileURL(await plainScript('src/server/worker-main.ts')).href);
