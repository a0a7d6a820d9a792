import { readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';

/**
 * Writes a small file of facts whole or not at all: a reader never finds half of it.
 * @param {string} file
 * @param {object} state
 * @param {import('node:fs').WriteFileOptions} [options]
 */
export function writeState(file, state, options = {}) {
  const part = `${file}.${process.pid}.part`;
  writeFileSync(part, JSON.stringify(state), options);
  renameSync(part, file);
}

/**
 * What such a file says; null where it is not there, empty or no JSON of an object.
 * @param {string} file
 * @returns {Record<string, any> | null}
 */
export function readState(file) {
  try {
    const state = JSON.parse(readFileSync(file, 'utf8'));
    return typeof state === 'object' && state !== null ? state : null;
  } catch {
    return null;
  }
}

/** @param {string} file */
export const removeState = (file) => rmSync(file, { force: true });
