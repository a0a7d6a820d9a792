import { createHash } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { build, type BuildOptions, type Plugin } from 'esbuild';

/**
 * What walks through schemas and checks documents, which can't do anything without them, and what is kept on shelves and clipboards or only
 * followed: nothing that is played asks for any of it.
 */
const WALKERS =
  /src\/core\/(properties\/(scaled|mapped|inside|property)|document\/(schema\/(piece-checks|shelf|underlay)|edits\/copied))\.ts$/;

/** Leaves the walkers' names, so that what imports them still finds them. */
const withoutWalkers: Plugin = {
  name: 'without walkers',
  setup(bundling) {
    bundling.onLoad({ filter: WALKERS }, async ({ path }) => {
      const source = await readFile(path, 'utf8');
      const names = [...source.matchAll(/^export (?:function|const) (\w+)/gm)].map(([, name]) => name);
      const walk = `const walk = () => { throw new Error('The player has no schemas.'); };`;
      return {
        contents: `${walk}\n${names.map((name) => `export const ${name} = walk;`).join('\n')}`,
        loader: 'ts',
      };
    });
  },
};

/** Schemas of documents: painting asks them for defaults, and nobody for words. */
const SCHEMAS = /src\/core\/document\/schema\/[\w-]+\.ts$/;
/** What stands beside them in their room and is used as it is. */
const BESIDE =
  /\/(index|names|measures|circle|limits|new-piece|own-manners|frame-sizes|carried-cycle|placed-parts)\.ts$/;

/** What only forms and refusals say: names, messages, units and bounds. */
const WORDS =
  /\b(?:(?:name|message|unit|scales): '[^']*'|(?:typed|usual): \[[^\]]*\]|(?:min|max|step): -?[\d._e]+),? ?/g;

/** What only narrows a schema or tells of it: the player makes no checks and has no forms. */
const CHECKS =
  /\.register\(FACTS, \{[^{}]*\}\)|\.(?:exactOptional|readonly|int|finite)\(\)|(?<!Math)\.(?:min|max)\([^()]*\)/g;

/** What effects say of themselves to people. */
const EFFECTS = /src\/core\/effects\/\w+\.ts$/;
const ABOUT = /\babout: '[^']*',|(\(\{\s*)name: '[^']*',/g;

/** Leaves them out. */
const withoutWords: Plugin = {
  name: 'without words',
  setup(bundling) {
    bundling.onLoad({ filter: SCHEMAS }, async ({ path }) => {
      if (BESIDE.test(path)) return undefined;
      const source = await readFile(path, 'utf8');
      const contents = source.replace(WORDS, '').replace(CHECKS, '');
      return { contents, loader: 'ts' };
    });
    bundling.onLoad({ filter: EFFECTS }, async ({ path }) => ({
      contents: (await readFile(path, 'utf8')).replace(ABOUT, '$1'),
      loader: 'ts',
    }));
  },
};

const root = /* turbopackIgnore: true */ process.cwd();
const source = (name: string): string => resolve(root, 'src', name);

/**
 * A script of parts of the core as the player has them: without schemas and words.
 * @param options what it begins from, and what may be otherwise.
 */
export async function bundleForPages(options: BuildOptions): Promise<string> {
  const { outputFiles } = await build({
    tsconfig: resolve(root, 'tsconfig.json'),
    ...{ bundle: true, minify: true, format: 'esm', target: 'es2022', charset: 'utf8' },
    legalComments: 'none',
    plugins: [withoutWalkers, withoutWords],
    alias: { '@': source('.'), zod: source('player/schema-outlines.ts') },
    ...options,
    write: false,
  });
  return outputFiles[0]!.text;
}

/** The player as one script: evaluating, painting and filling of the core, an element for pages, and nothing else. */
export interface PlayerScript {
  readonly text: string;
  /** A hash of it: two scripts of one version are the same. */
  readonly version: string;
}

let made: Promise<PlayerScript> | null = null;

async function make(): Promise<PlayerScript> {
  const NAMED = '__VERSION__';
  const script = await bundleForPages({
    entryPoints: [source('player/index.ts')],
    define: { VERSION: JSON.stringify(NAMED) },
  });
  const version = createHash('sha256').update(script).digest('hex').slice(0, 8);
  return { text: script.replaceAll(NAMED, version), version };
}

/** Made once. */
export function playerScript(): Promise<PlayerScript> {
  made ??= make().catch((error: unknown) => {
    made = null;
    throw error;
  });
  return made;
}
