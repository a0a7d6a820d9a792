import type { PathCommand } from './commands';

/** Numbers one after another in as few characters as the grammar of path data lets stand (SVG 2, 9.3.9). */
function joined(numbers: readonly string[]): string {
  let out = '';
  let before = '';
  for (const number of numbers) {
    // A minus ends the number before it; so does a point, where that has one already.
    const apart = before === '' || number.startsWith('-') || (number.startsWith('.') && before.includes('.'));
    out += apart ? number : ` ${number}`;
    before = number;
  }
  return out;
}

/**
 * Path data in few bytes: each place is told from the one before it. What is rounded away does not add up, as every place is
 * rounded by itself first.
 * @param digits after the point; three are a thousandth of a pixel.
 */
export function compactPathData(commands: readonly PathCommand[], digits: number): string {
  const power = 10 ** digits;
  const whole = (n: number): number => Math.round(n * power);
  const written = (n: number): string => String(n / power).replace(/^(-?)0\./, '$1.');
  let [x, y, startX, startY] = [0, 0, 0, 0];
  let out = '';
  let last = '';
  let numbers: string[] = [];
  const flush = (): void => {
    out += last + joined(numbers);
    numbers = [];
  };
  for (const command of commands) {
    // One letter stands for a run of the same; after the letter of a move come lines.
    if (command[0] !== last || command[0] === 'M' || command[0] === 'Z') {
      if (last) flush();
      last = command[0];
    }
    if (command[0] === 'Z') {
      [x, y] = [startX, startY];
      continue;
    }
    for (let i = 1; i < command.length; i += 2)
      numbers.push(written(whole(command[i] as number) - x), written(whole(command[i + 1] as number) - y));
    [x, y] = [whole(command.at(-2) as number), whole(command.at(-1) as number)];
    if (command[0] === 'M') [startX, startY] = [x, y];
  }
  if (last) flush();
  return out.replace(/[CLZ]/g, (letter) => letter.toLowerCase()).replace(/M/g, 'm');
}
