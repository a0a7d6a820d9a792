import { readFileSync, writeFileSync } from 'node:fs';
import { format, resolveConfig } from 'prettier';

/**
 * Writes a file of the project in the form that the lint asks for, so that what is measured or made by a script can be committed as it is.
 * @param {string} file
 * @param {string} text
 */
export async function writeFormatted(file, text) {
  writeFileSync(file, await format(text, { ...(await resolveConfig(file)), filepath: file }));
}

/**
 * Writes the figures of a run under the line `<!-- figures -->` of a page of the docs; what stands above it stays.
 * @param {string} file
 * @param {string} figures
 * @param {string} [where]
 */
export async function writeFigures(file, figures, where = '') {
  const head = readFileSync(file, 'utf8').split('<!-- figures -->')[0];
  const date = new Date().toISOString().slice(0, 10);
  await writeFormatted(file, `${head}<!-- figures -->\n\nMeasured ${date}${where}.\n\n${figures}\n`);
}
