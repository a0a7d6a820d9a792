/** How many of something there are, in words: "1 stroke", "3 strokes". */
export const amount = (count: number, one: string, many = `${one}s`): string =>
  `${count} ${count === 1 ? one : many}`;
