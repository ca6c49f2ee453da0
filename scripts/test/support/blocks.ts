import { readFileSync } from 'node:fs';

/** A block of shell in a document, with what is said to come out of it. */
export interface Block {
  file: string;
  line: number;
  /** The heading that it stands below. */
  heading: string;
  script: string;
  /** What is printed, where a block of text follows; “…” stands for anything. */
  expected: string | null;
}

const headingAbove = (text: string): string =>
  text
    .split('\n')
    .findLast((line) => line.startsWith('#'))
    ?.replace(/^#{1,6} /, '') ?? '';

/** Every shell block of a document, in its order. */
export function blocksOf(file: string): Block[] {
  const text = readFileSync(new URL(`../../../${file}`, import.meta.url), 'utf8');
  const fenced = /^```sh\n([\s\S]*?)^```\n(?:\n```text\n([\s\S]*?)^```\n)?/gm;
  return [...text.matchAll(fenced)].map((found) => ({
    file,
    line: text.slice(0, found.index).split('\n').length,
    heading: headingAbove(text.slice(0, found.index)),
    script: found[1]!,
    expected: found[2] ?? null,
  }));
}

/** Whether a text is what is expected, where each “…” stands for anything, of several lines too. */
export function isAsExpected(text: string, expected: string): boolean {
  const pattern = expected
    .trimEnd()
    .split('…')
    .map((part) => part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&'))
    .join('[\\s\\S]*');
  return new RegExp(`^${pattern}\\s*$`).test(text);
}
