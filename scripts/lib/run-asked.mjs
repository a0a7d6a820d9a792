const DAY = Math.floor(Date.now() / 86_400_000);

/**
 * Which cases of a property are tried, as `src/core/testing/cases.ts` reads it: few, the same each time, or with RUN=long many, of a row
 * of seeds for each day. SEED names the first one.
 */
const isLong = process.env.RUN === 'long';
export const RUN = { isLong, seed: Number(process.env.SEED ?? (isLong ? DAY * 10_000 : 1)) };
