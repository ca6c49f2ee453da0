import { parse as parseScript } from 'acorn';
import { parse as parseStyles } from 'css-tree';
import { parseFragment } from 'parse5';
import { attribute, innerText, parseMarkup, read } from '@orbis/core';
import { demoCodes } from '@orbis/demo';
import { builtInSheets } from '@orbis/sheets';
import { codes } from '../../core/test/corpus.ts';
import { line, median, timeBoth } from './figures.ts';

/** The scripts and styles of a code, for the bare parsers. */
function piecesOf(text: string): { scripts: string[]; styles: string[]; attributes: string[] } {
  const { elements } = parseMarkup(text);
  const inner = (name: string): string[] =>
    elements
      .filter((e) => e.name === name && !e.attributes.has('src') && !/json/.test(attribute(e, 'type') ?? ''))
      .map((e) => innerText(text, e));
  return {
    scripts: inner('script'),
    styles: inner('style'),
    attributes: elements.flatMap((e) => attribute(e, 'style') ?? []),
  };
}

/* The bare parsers, with what any reader needs of them: source places. */
function bareParse(text: string, { scripts, styles, attributes }: ReturnType<typeof piecesOf>): void {
  parseFragment(text, { sourceCodeLocationInfo: true });
  for (const script of scripts) {
    try {
      parseScript(script, { ecmaVersion: 'latest' });
    } catch {
      // A broken one costs what it costs.
    }
  }
  for (const style of styles) parseStyles(style, { positions: true });
  for (const style of attributes) parseStyles(style, { context: 'declarationList', positions: true });
}

/**
 * A full reading (every rule included) against the bare parsers of the same texts in one run: parse5's
 * `parseFragment` with locations, and acorn and css-tree where the code has scripts and styles.
 */
export function reading(): string {
  const sheets = builtInSheets();
  const all: [label: string, text: string][] = [
    ...Object.entries(codes),
    ...demoCodes.map((code): [string, string] => [code.name, code.text]),
  ];
  const measured = all
    .filter(([, text]) => parseMarkup(text).elements.length > 0)
    .map(([label, text]) => {
      const pieces = piecesOf(text);
      return {
        label,
        active: Object.values(pieces).some((list) => list.length > 0),
        bare: () => bareParse(text, pieces),
        full: () => void read(text, { sheets }),
      };
    });
  // Every code once before any is measured, so that none pays for the others' first time.
  for (let i = 0; i < 300; i++) {
    for (const { bare, full } of measured) {
      bare();
      full();
    }
  }
  const rows = measured.map(({ label, active, bare, full }) => ({ label, active, ...timeBoth(bare, full) }));
  const ratio = (which: typeof rows): string =>
    `${median(which.map((row) => row.full / row.bare)).toFixed(2)} times (${which.length} codes)`;
  return [
    'Reading a code, against the bare parsers on the same text (medians, in µs)\n',
    line('code', 'parsers', 'reading', 'times'),
    ...rows.map((row) =>
      line(row.label, row.bare.toFixed(1), row.full.toFixed(1), (row.full / row.bare).toFixed(2)),
    ),
    `\nThe median code without scripts and styles takes ${ratio(rows.filter((row) => !row.active))} the bare parse5,\n`,
    `the median code with some ${ratio(rows.filter((row) => row.active))} parse5, acorn and css-tree together.\n`,
  ].join('');
}
