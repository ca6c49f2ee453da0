import { InvalidArgumentError } from 'commander';

/** Reads a whole number that is typed behind a switch. */
export function wholeNumber(text: string): number {
  if (!/^\d{1,5}$/.test(text)) throw new InvalidArgumentError('It should be a whole number.');
  return Number(text);
}
