import { readFileSync } from 'node:fs';
import { CannotCopy } from './cannot-copy.ts';

/** The private keys in a file, one in each line; lines that begin with # are notes. @throws CannotCopy */
export function identitiesIn(path: string): string[] {
  let text: string;
  try {
    text = readFileSync(path, 'utf8');
  } catch (error) {
    throw new CannotCopy(
      `The key ${path} cannot be read (${String((error as NodeJS.ErrnoException).code)}).`,
    );
  }
  const lines = text.split(/\r?\n/).map((line) => line.trim());
  const found = lines.filter((line) => line !== '' && !line.startsWith('#'));
  if (found.length === 0) throw new CannotCopy(`There is no key in ${path}.`);
  return found;
}
