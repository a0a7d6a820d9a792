// The process that does heavy work for the web server, which starts it.
import { pathToFileURL } from 'node:url';
import { plainScript } from './lib/plain-script.mjs';

await import(pathToFileURL(await plainScript('src/server/heavy/heavy-main.ts')).href);
