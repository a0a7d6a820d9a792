/** Random path data of every command, relative and absolute. */
export function randomPathData(random: () => number): string {
  const n = () => (random() * 200 - 100).toFixed(random() < 0.5 ? 0 : 2);
  const pair = () => `${n()}${random() < 0.5 ? ',' : ' '}${n()}`;
  const one = (): string => {
    const kinds: (() => string)[] = [
      () => `L${pair()}`,
      () => `l${pair()} ${pair()}`,
      () => `h${n()}`,
      () => `V${n()}`,
      () => `c${pair()} ${pair()} ${pair()}`,
      () => `S${pair()} ${pair()}`,
      () => `q${pair()} ${pair()}`,
      () => `T${pair()}`,
      () =>
        `a${(random() * 90 + 1).toFixed(1)} ${(random() * 90 + 1).toFixed(1)} ${n()} ${random() < 0.5 ? 0 : 1} ${random() < 0.5 ? 0 : 1} ${pair()}`,
      () => 'z',
    ];
    return kinds[Math.floor(random() * kinds.length)]!();
  };
  return `M${pair()}${Array.from({ length: 12 }, one).join('')}`;
}
