import { read, type Reading } from '@orbis/core';
import { tellReading, roleWords, type Reading as ToldReading } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import type { AddCommand } from '../command.ts';
import { pasted } from '../pasted.ts';
import { facts, fold, levelColour, table, type Colours } from '../text.ts';

export const addRead: AddCommand = (program, run) => {
  program
    .command('read')
    .argument('<what>', 'a file, - for standard input, or a link')
    .description('say what a code does, without keeping it and without the service')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis read talk.html\n  orbis read https://kinorill.localhost/reels/moor-night\n  pbpaste | orbis read - --json\n\nExit status: 0 nothing wrong, 1 an error was found in the code, 2 used wrongly.',
    )
    .action((what: string) =>
      run(async (tools) => {
        const text = await pasted(what, tools.io);
        const sheets = builtInSheets();
        const reading = read(text, { sheets });
        const told = tellReading(reading);
        tools.tell(told, () => describe(text, told, reading, tools.colours, tools.io.width));
        return told.findings.some((finding) => finding.level === 'error') ? 1 : 0;
      }),
    );
};

function describe(text: string, told: ToldReading, reading: Reading, colours: Colours, width: number): string {
  const rows: [string, string][] = [
    ['What it is', `${told.kind}. ${told.kindBecause}`],
    ['Provider', told.provider?.name ?? 'not known'],
    ['Size', saySize(told)],
    ['Contacts', told.hosts.map((h) => `${h.host} (${h.uses.join(', ')}; ${h.when === 'load' ? 'by itself' : 'when used'})`).join('\n') || 'nobody'],
    [
      'Needs',
      Object.entries(told.needs)
        .filter(([, needed]) => needed)
        .map(([name]) => name)
        .join(', ') || 'nothing that its code would show',
    ],
  ];
  if (told.sheet) rows.push(['Sheet', `${told.sheet.id}, version ${told.sheet.version}`]);
  if (told.parts.length > 0) {
    const parts = told.parts.map((part) => [
      part.role,
      roleWords[part.role],
      `${part.place}, ${part.repeat === 'page' ? 'once a page' : 'at every place'}`,
      `${part.start}–${part.end}`,
      oneLine(text.slice(part.start, part.end), 40),
    ]);
    rows.push(['Parts', table(['role', 'what it is', 'where', 'characters', 'code'], parts, colours).trimEnd()]);
  }
  if (told.made !== null) rows.push(['As a code', told.made]);
  const findings = told.findings.map((finding) => {
    const colour = levelColour(finding.level, colours);
    return `\n${colour(finding.level)} ${colours.dim(`${finding.rule}, line ${finding.line}, column ${finding.column}`)}\n${excerpt(text, finding, colours)}${fold(finding.message, width, '  ')}${fold(finding.remedy, width, '  ')}`;
  });
  const sum = reading.findings.length === 0 ? '\nNothing is wrong with it.\n' : '';
  return facts(rows, colours) + findings.join('') + sum;
}

function saySize({ size }: ToldReading): string {
  const say = (length: { value: number; unit: string } | null): string => (length ? `${length.value} ${length.unit}` : 'not stated');
  return size.width || size.height ? `${say(size.width)} wide, ${say(size.height)} high${size.ratio ? ` (${size.ratio} to 1)` : ''}` : 'not stated';
}

const oneLine = (text: string, most: number): string => {
  const line = text.replace(/\s+/g, ' ');
  return line.length > most ? `${line.slice(0, most - 1)}…` : line;
};

/* The line where it is, with carets below it. */
function excerpt(text: string, { start, end, column }: { start: number; end: number; column: number }, colours: Colours): string {
  const lineStart = start - column + 1;
  const line = text.slice(lineStart).split(/\r\n|\r|\n/)[0]!;
  const from = Math.max(0, column - 31);
  const shown = line.slice(from, from + 72);
  const carets = Math.max(1, Math.min(end - start, shown.length - (column - 1 - from)));
  return `  ${shown}\n  ${' '.repeat(column - 1 - from)}${colours.red('^'.repeat(carets))}\n`;
}
