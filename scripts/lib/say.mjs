/** One line for a step that is under way or done. */
export const say = (text) => console.log(`· ${text}`);

/** Ends with words: what is wrong, what is safe, what to do. */
export class Stop extends Error {}

/** Runs a script's main function and turns a Stop into its words and exit code 1. */
export async function main(run) {
  try {
    await run();
  } catch (error) {
    console.error(error instanceof Stop ? `\n${error.message}` : error);
    process.exit(1);
  }
}
