import Table from 'cli-table3';
import pc from 'picocolors';
import wrap from 'wrap-ansi';
import type { Level } from '@orbis/core';
import type { Io } from './io.ts';

export type Colours = ReturnType<typeof pc.createColors>;
/** Colours only where people look at a terminal. */
export const coloursFor = (io: Io): Colours => pc.createColors(io.outIsTerminal && !io.env['NO_COLOR']);

/** A plain table: a line of heads, then the rows, aligned, without rules. */
export function table(heads: string[], rows: string[][], colours: Colours): string {
  const made = new Table({
    head: heads.map((head) => colours.dim(head)),
    chars: {
      'top': '',
      'top-mid': '',
      'top-left': '',
      'top-right': '',
      'bottom': '',
      'bottom-mid': '',
      'bottom-left': '',
      'bottom-right': '',
      'left': '',
      'left-mid': '',
      'mid': '',
      'mid-mid': '',
      'right': '',
      'right-mid': '',
      'middle': '  ',
    },
    style: { 'padding-left': 0, 'padding-right': 0, 'head': [], 'border': [] },
  });
  made.push(...rows);
  return `${made
    .toString()
    .split('\n')
    .map((line) => line.trimEnd())
    .join('\n')}\n`;
}

/** Name and value in two columns. */
export function facts(pairs: [name: string, value: string][], colours: Colours): string {
  const width = Math.max(...pairs.map(([name]) => name.length));
  return pairs
    .map(
      ([name, value]) =>
        `${colours.dim(name.padEnd(width))}  ${value.replaceAll('\n', `\n${' '.repeat(width + 2)}`)}\n`,
    )
    .join('');
}

/** A time as people read it, in their own time zone: `23 Nov 2026, 07:46`. */
export function formatTimestamp(at: string | null): string {
  if (at === null) return 'never';
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  }).format(new Date(at));
}

export const levelColour = (level: Level, colours: Colours): ((text: string) => string) =>
  ({ error: colours.red, warning: colours.yellow, note: colours.cyan })[level];

/** Folds a text at blanks, each line beginning with the indent; wide characters count as two. */
export const fold = (text: string, width: number, indent: string): string =>
  wrap(text, Math.max(width - indent.length, 20))
    .split('\n')
    .map((line) => `${indent}${line}\n`)
    .join('');

/** How far something is, as a bar: `██████░░░░░░ 3,400 of 10,000`. */
export function progressBar(done: number, of: number, width = 24): string {
  const full = of === 0 ? 0 : Math.round((done / of) * width);
  return `${'█'.repeat(full)}${'░'.repeat(width - full)} ${done.toLocaleString('en')} of ${of.toLocaleString('en')}`;
}
