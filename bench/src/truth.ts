import { kindWords, read, type Kind } from '@orbis/core';
import { demoCodes } from '@orbis/demo';
import { kinds as byPlace } from '../../core/test/codes/kinds.ts';
import { words as byWords } from '../../core/test/codes/words.ts';
import { line } from './figures.ts';

/* Invented words in the place of those that tell a kind: what is left is how the code is built. */
const tellTale = new RegExp(
  `(?<![a-z])(?:${[...kindWords].sort((a, b) => b.length - a.length).join('|')})(?![a-z])`,
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
    code.includes(`<${word}`) ? word : invented[n++ % invented.length]!,
  );
}

interface Code {
  text: string;
  kind: Kind;
}

const codes: readonly Code[] = [
  ...demoCodes.flatMap(({ text, kind }) => (kind === undefined ? [] : [{ text, kind: kind as Kind }])),
  ...[...byPlace, ...byWords].flatMap(({ code, kind }) => (kind === undefined ? [] : [{ text: code, kind }])),
];

const isNotTold = (kind: Kind): boolean => ['frame', 'image', 'unknown'].includes(kind);

/**
 * How often the kind of a code is told rightly, wrongly or not at all, without any sheet: for codes as they
 * are, and with their tell-tale words replaced. What was taken for what stands below each.
 */
export function truth(): string {
  return [
    `Kinds of ${codes.length} codes, told without any sheet\n`,
    line('', 'right', 'wrong', 'not told'),
    ...figures('codes as they are', (text) => text),
    ...figures('with tell-tale words replaced', withoutTellTales),
  ].join('');
}

function figures(label: string, change: (text: string) => string): string[] {
  const told = codes.map(({ text, kind }) => ({ is: kind, told: read(change(text), { sheets: [] }).kind }));
  const right = told.filter(({ is, told }) => is === told).length;
  const notTold = told.filter(({ is, told }) => is !== told && isNotTold(told)).length;
  return [
    line(label, String(right), String(told.length - right - notTold), String(notTold)),
    ...confused(told),
  ];
}

/* Each kind with what it was taken for, where that was another. */
function confused(told: readonly { is: Kind; told: Kind }[]): string[] {
  const kinds = [...new Set(told.map(({ is }) => is))].sort();
  return kinds.flatMap((kind) => {
    const others = new Map<Kind, number>();
    for (const each of told)
      if (each.is === kind && each.told !== kind) others.set(each.told, (others.get(each.told) ?? 0) + 1);
    const taken = [...others].map(([other, times]) => `${times} for ${other}`).join(', ');
    return taken === '' ? [] : [`  ${kind}: of ${told.filter(({ is }) => is === kind).length}, ${taken}\n`];
  });
}
