/** The middle of some numbers. */
export function median(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** One line of a table: a label, then numbers. */
export const line = (label: string, ...cells: string[]): string =>
  `${label.padEnd(34)}${cells.map((cell) => cell.padStart(10)).join('')}\n`;

/**
 * The median time of two ways of doing the same, in µs, measured by turns so that both meet the same weather.
 */
export function timeBoth(
  bare: () => void,
  full: () => void,
  rounds = 15,
  times = 150,
): { bare: number; full: number } {
  const once = (work: () => void): number => {
    const from = process.hrtime.bigint();
    for (let i = 0; i < times; i++) work();
    return Number(process.hrtime.bigint() - from) / 1000 / times;
  };
  const [a, b]: [number[], number[]] = [[], []];
  for (let i = 0; i < rounds; i++) {
    a.push(once(bare));
    b.push(once(full));
  }
  return { bare: median(a), full: median(b) };
}
