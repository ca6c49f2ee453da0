/** The middle of some numbers. */
export function median(numbers: readonly number[]): number {
  const sorted = [...numbers].sort((a, b) => a - b);
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

/** One line of a table: a label, then numbers. */
export const line = (label: string, ...cells: string[]): string => `${label.padEnd(34)}${cells.map((cell) => cell.padStart(10)).join('')}\n`;
