import type { EditorRules } from '@orbis/core';
import { spoken, type Site, type Specimen, type SpecimenReading } from '@orbis/contract';
import { facts, fold, formatTimestamp, type Colours } from '../text.ts';

const yesOr = (isSo: boolean | null): string => (isSo === null ? 'nobody has said' : isSo ? 'yes' : 'no');
const any = (most: number | null): string => (most === null ? 'any number' : String(most));

/** What an editor lets through, a line for each rule. */
export function describeEditor({ editor, head }: Pick<Site, 'editor' | 'head'>, colours: Colours): string {
  const fields = [...(editor.styleField ? ['style rules'] : []), ...(editor.scriptField ? ['a script'] : [])];
  const lines: [string, string][] = [
    ['Takes', editor.takes === 'code' ? 'codes' : 'links alone'],
    ...(editor.takes === 'code' ? takenLines(editor) : []),
    ['Into the head', head ? 'yes' : 'no'],
    ...(fields.length > 0 ? [['Fields of a page', fields.join(', ')] as [string, string]] : []),
    ...(editor.firstLine ? [['First line', editor.firstLine] as [string, string]] : []),
    ...(editor.lastLine ? [['Last line', editor.lastLine] as [string, string]] : []),
    ...(editor.companion ? [['Once a page', editor.companion] as [string, string]] : []),
    ...(editor.asksFor.length > 0
      ? [
          ['Asks for', editor.asksFor.map(({ label, value }) => `${label} (${value})`).join(', ')] as [
            string,
            string,
          ],
        ]
      : []),
    ['Shown before publishing', yesOr(editor.showsUnpublished)],
    ['Live after', editor.delay === 0 ? 'at once' : `${editor.delay} min`],
    ['Hosts on a page', any(editor.mostHosts)],
    ['Scripts on a page', any(editor.mostScripts)],
    ['Kilobytes on a page', any(editor.mostKilobytes)],
    ['Notes', editor.notes || 'none'],
  ];
  return facts(lines, colours);
}

const takenLines = (editor: EditorRules): [string, string][] => [
  ['Takes out elements', spoken.editor.takenNames(editor.elements)],
  ['Takes out attributes', spoken.editor.takenNames(editor.attributes)],
  ['Scripts with their text', editor.inlineScripts ? 'come through' : 'are taken out'],
  ['Comments', editor.comments ? 'come through' : 'are taken out'],
];

/** What the rules rest on: what the specimen showed when it was last read. */
export function describeEvidence(
  last: Specimen['last'],
  { colours, io }: { colours: Colours; io: { width: number } },
): string {
  if (last === null) return '';
  const { at, page, meaning, lines } = last;
  const head = `The specimen showed on ${formatTimestamp(at)}: ${meaning}`;
  const shown = lines.map((line) => `  ${fold(line, io.width, '  ').trim()}\n`).join('');
  return `\n${colours.bold(fold(head, io.width, '').trim())}\n${shown}Read on ${page}.\n`;
}

/** What became of a specimen: what did not come through as it is, and what stays open. */
export function describeSpecimen(
  { page, meaning, lines, open }: SpecimenReading,
  { colours, io }: { colours: Colours; io: { width: number } },
): string {
  const questions = open.map(({ said }) => `${colours.yellow('?')} ${fold(said, io.width, '  ').trim()}`);
  return [
    `${colours.bold(fold(meaning, io.width, '').trim())}\nRead on ${page}.`,
    lines.map((line) => `  ${fold(line, io.width, '  ').trim()}`).join('\n'),
    questions.join('\n'),
  ]
    .filter((part) => part !== '')
    .join('\n\n')
    .concat('\n');
}
