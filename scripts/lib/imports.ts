import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import ts from 'typescript';

const ENDINGS = ['', '.ts', '.tsx', '/index.ts', '/index.tsx'];

/** Who imports what among the sources of a checkout: for each file those that import it. Paths are relative to the root. */
export function importersOf(root: string, files: readonly string[]): ReadonlyMap<string, readonly string[]> {
  const known = new Set(files);
  const importers = new Map<string, string[]>();
  for (const file of files) {
    const { importedFiles } = ts.preProcessFile(readFileSync(join(root, file), 'utf8'), true, true);
    for (const { fileName } of importedFiles) {
      const base = fileName.startsWith('@/')
        ? join('src', fileName.slice(2))
        : fileName.startsWith('.')
          ? join(dirname(file), fileName)
          : null;
      const imported = base && ENDINGS.map((ending) => base + ending).find((path) => known.has(path));
      if (imported) importers.set(imported, [...(importers.get(imported) ?? []), file]);
    }
  }
  return importers;
}

/** The tests that reach a file by the fewest imports, nearest first; of those as near those beside it before others. */
export function nearestTests(
  file: string,
  importers: ReadonlyMap<string, readonly string[]>,
  most: number,
): string[] {
  const beside = (path: string): number => {
    const [a, b] = [dirname(path).split('/'), dirname(file).split('/')];
    let same = 0;
    while (same < a.length && a[same] === b[same]) same++;
    return -same;
  };
  const seen = new Set([file]);
  const found: string[] = [];
  let edge = [file];
  while (edge.length > 0 && found.length < most) {
    const next = edge.flatMap((path) => importers.get(path) ?? []).filter((path) => !seen.has(path));
    for (const path of next) seen.add(path);
    edge = [...new Set(next)];
    found.push(
      ...edge
        .filter((path) => path.endsWith('.test.ts'))
        .sort((a, b) => beside(a) - beside(b) || (a < b ? -1 : 1)),
    );
  }
  return found.slice(0, most);
}
