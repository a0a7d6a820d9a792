/**
 * One line for a step that is under way or done.
 * @param {string} text
 */
export const say = (text) => console.log(`· ${text}`);

/**
 * What an error says.
 * @param {unknown} error
 */
export const saidBy = (error) => (error instanceof Error ? error.message : String(error));

/** Ends with words: what is wrong, what is safe, what to do. */
export class Stop extends Error {}

/**
 * Runs a script's main function and turns a Stop into its words and exit code 1.
 * @param {() => Promise<void>} run
 */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    console.error(error instanceof Stop ? `\n${error.message}` : error);
    process.exit(1);
  }
}
