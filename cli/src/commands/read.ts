import { mend, read, type Sheet } from '@orbis/core';
import {
  capital,
  formatKind,
  plural,
  serializeMended,
  serializeReading,
  spoken,
  type Reading,
} from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { pasted } from '../pasted.ts';
import { localSheets } from '../sheets/local.ts';
import { facts, fold, levelColour, table, type Colours } from '../text.ts';

export const addRead: AddCommand = (program, run) => {
  program
    .command('read')
    .argument('<what...>', 'files, - for standard input, or a link')
    .option('--sheets <folder>', 'provider sheets of your own beside the built-in ones')
    .option('--why', 'show everything that spoke for a kind')
    .description('say what a code does, without keeping it and without the service')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis read talk.html\n  orbis read https://kinorill.localhost/films/moor-night --why\n  cat talk.html | orbis read - --json\n  orbis read codes/*.html\n\nExit status: 0 nothing wrong, 1 an error was found in a code, 2 used wrongly.',
    )
    .action((what: string[], options: { why?: boolean; sheets?: string }) =>
      run(async (tools) => {
        const sheets = localSheets(options.sheets);
        if (what.length > 1 && options.why)
          throw new UsedWrongly('--why is told of one code at a time: name one.');
        if (what.length > 1) return readMany(what, sheets, tools);
        const text = await pasted(what[0]!, tools.io);
        const reading = serializeReading(read(text, { sheets }));
        tools.tell(reading, () =>
          describe(text, reading, sheets, tools.colours, tools.io.width, options.why ?? false),
        );
        return hasError(reading) ? 1 : 0;
      }),
    );
};

const hasError = (reading: Reading): boolean => reading.findings.some((finding) => finding.level === 'error');

/* Several codes: a line each and a total; with --json a reading a line. */
async function readMany(what: readonly string[], sheets: Sheet[], tools: Tools): Promise<Exit> {
  const rows: string[][] = [];
  let wrong = 0;
  for (const name of what) {
    const reading = serializeReading(read(await pasted(name, tools.io), { sheets }));
    if (hasError(reading)) wrong++;
    const count = (level: string): string =>
      String(reading.findings.filter((finding) => finding.level === level).length);
    if (tools.json) tools.io.out(`${JSON.stringify(reading)}\n`);
    else
      rows.push([
        name,
        reading.kind,
        reading.provider?.name ?? '–',
        count('error'),
        count('warning'),
        count('note'),
      ]);
  }
  if (!tools.json)
    tools.io.out(
      `${table(['code', 'kind', 'provider', 'errors', 'warnings', 'notes'], rows, tools.colours)}\n${plural(what.length, 'code')} read, ${wrong} with errors.\n`,
    );
  return wrong > 0 ? 1 : 0;
}

function describe(
  text: string,
  reading: Reading,
  sheets: readonly Sheet[],
  colours: Colours,
  width: number,
  why: boolean,
): string {
  const rows: [string, string][] = [
    ['What it is', `${capital(formatKind(reading.kind, reading.provider))}. ${reading.kindBecause}`],
    ['Provider', reading.provider?.name ?? 'not known'],
    ['Size', formatSize(reading)],
    [
      'Contacts',
      reading.hosts
        .map((h) => `${h.host} (${h.uses.join(', ')}; ${h.when === 'load' ? 'by itself' : 'when used'})`)
        .join('\n') || 'nobody',
    ],
    ['Needs', named(reading.needs) || 'nothing that its code would show'],
  ];
  if (reading.claims.length > 0)
    rows.push([
      'Claims',
      reading.claims
        .map((claim) => `${claim.what} ${claim.name}${claim.shared ? ' (shared)' : ''}`)
        .join(', '),
    ]);
  if (reading.sheet) rows.push(['Sheet', `${reading.sheet.id}, version ${reading.sheet.version}`]);
  if (reading.generated !== null) rows.push(['As a code', reading.generated]);
  const evidence = why
    ? `\n${colours.bold('What spoke for a kind')}\n${
        reading.evidence.length > 0
          ? table(
              ['kind', 'weight', 'reason'],
              reading.evidence.map((e) => [e.kind, String(e.weight), e.reason]),
              colours,
            )
          : 'Nothing did.\n'
      }`
    : '';
  const findings = reading.findings.map((finding) => {
    const colour = levelColour(finding.level, colours);
    return `\n${colour(finding.level)} ${colours.dim(`${finding.rule}, line ${finding.line}, column ${finding.column}`)}\n${excerpt(text, finding, colours)}${fold(finding.message, width, '  ')}${fold(finding.remedy, width, '  ')}`;
  });
  const mending = formatMending(text, sheets, colours, width);
  const sum = reading.findings.length === 0 ? '\nNothing is wrong with it.\n' : '';
  return (
    formatParts(text, reading, colours) + facts(rows, colours) + evidence + findings.join('') + mending + sum
  );
}

/* The code as it would be mended, what is done to it, and what is still wrong with it then. */
function formatMending(text: string, sheets: readonly Sheet[], colours: Colours, width: number): string {
  const mended = mend(text, { sheets });
  if (mended.done.length === 0) return '';
  const now = read(mended.text, { sheets });
  const left = now.findings.filter((finding) => finding.level !== 'note').length;
  const what = formatKind(now.kind, now.provider);
  const reading =
    left === 0
      ? `Read again, it is ${what}, and nothing is wrong with it.`
      : `Read again, it is ${what}; ${plural(left, 'thing')} in it only you can mend.`;
  return [
    `\n${colours.bold('Mended')} ${colours.dim('(“orbis collect … --mend” takes it so; the paste is kept)')}\n`,
    ...[...new Set(serializeMended(mended).done.map(({ reason }) => reason))].map((reason) =>
      fold(reason, width, '  '),
    ),
    indent(mended.text.trim()),
    fold(reading, width, '  '),
  ].join('');
}

/* The code, cut into its parts, each with its role and how often it is needed. */
function formatParts(text: string, { parts }: Reading, colours: Colours): string {
  const shown = parts.filter(
    (part) => !(part.role === 'text' && text.slice(part.start, part.end).trim() === ''),
  );
  if (shown.length === 0) return '';
  const depth = (part: (typeof parts)[number]): number =>
    part.inside === null ? 0 : 1 + depth(parts[part.inside]!);
  const lines = shown.map((part) => {
    const often =
      part.role === 'text' || part.role === 'comment'
        ? ''
        : part.repeat === 'page'
          ? `, once a page${part.place === 'head' ? ', in the head' : ''}`
          : ', at every place';
    const head = `${'  '.repeat(depth(part))}${colours.bold(part.role)} ${colours.dim(`${spoken.roles[part.role]}${often}, ${part.start}–${part.end}`)}`;
    const code = text.slice(part.start, part.end);
    return `${head}\n${indent(code.length > 400 ? `${code.slice(0, 400)}…` : code, '  '.repeat(depth(part) + 1))}`;
  });
  return `${lines.join('')}\n`;
}

const indent = (text: string, by = '  '): string =>
  text
    .split(/\r\n|\r|\n/)
    .map((line) => `${by}${line}\n`)
    .join('');
const named = (needs: Reading['needs']): string =>
  Object.entries(needs)
    .filter(([, needed]) => needed)
    .map(([name]) => name)
    .join(', ');

function formatSize({ size }: Reading): string {
  const say = (length: { value: number; unit: string } | null): string =>
    length ? `${length.value} ${length.unit}` : 'not stated';
  const shape = size.ratio ? `${size.ratio} to 1` : '';
  if (!size.width && !size.height) return shape || 'not stated';
  return `${say(size.width)} wide, ${say(size.height)} high${shape && ` (${shape})`}`;
}

/* The line where it is, with carets below it. */
function excerpt(
  text: string,
  { start, end, column }: { start: number; end: number; column: number },
  colours: Colours,
): string {
  const lineStart = start - column + 1;
  const line = text.slice(lineStart).split(/\r\n|\r|\n/)[0]!;
  const from = Math.max(0, column - 31);
  const shown = line.slice(from, from + 72);
  const carets = Math.max(1, Math.min(end - start, shown.length - (column - 1 - from)));
  return `  ${shown}\n  ${' '.repeat(column - 1 - from)}${colours.red('^'.repeat(carets))}\n`;
}
