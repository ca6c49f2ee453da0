import { kindVocabulary, read } from '@orbis/core';
import { demoCodes } from '@orbis/demo';
import { line } from './figures.ts';

/* Invented words in the place of those that tell a kind: what is left is how the code is built. */
const tellTale = new RegExp(
  `(?<![a-z])(?:${[...new Set(kindVocabulary.flatMap(([, words]) => words.split(' ')))].sort((a, b) => b.length - a.length).join('|')})(?![a-z])`,
  'gi',
);
const invented = [
  'brindle',
  'corvane',
  'dunmarsh',
  'eskerly',
  'fothersome',
  'gannock',
  'harrowby',
  'ingleton',
];

function withoutTellTales(code: string): string {
  let n = 0;
  return code.replace(tellTale, (word) =>
    /^(?:video|audio|form|map|source|track|blockquote)$/.test(word) && code.includes(`<${word}`)
      ? word
      : invented[n++ % invented.length]!,
  );
}

/**
 * How often the kind is right, wrong or not told, for codes as they are and with their
 * tell-tale words replaced.
 */
export function kinds(): string {
  const codes = demoCodes.filter((code) => code.kind !== undefined);
  const count = (change: (code: string) => string): string[] => {
    const told = codes.map((code) => [read(change(code.text), { sheets: [] }).kind as string, code.kind!]);
    const share = (fits: (told: string, kind: string) => boolean): string =>
      `${told.filter(([a, b]) => fits(a!, b!)).length} of ${codes.length}`;
    const unknown = (kind: string): boolean => ['frame', 'image', 'unknown'].includes(kind);
    return [share((a, b) => a === b), share((a, b) => a !== b && !unknown(a)), share((a) => unknown(a))];
  };
  return [
    'Kinds told without any sheet\n',
    line('', 'right', 'wrong', 'not told'),
    line('codes as they are', ...count((code) => code)),
    line('with tell-tale words replaced', ...count(withoutTellTales)),
  ].join('');
}
