import { escapeText } from '@orbis/core';
import { tableText } from './csv-out.ts';
import { spoken } from './language/index.ts';
import type { ThirdParty } from './third-parties.ts';

/** The forms in which a list of third parties is written. */
export const listForms = ['html', 'markdown', 'csv'] as const;
export type ListForm = (typeof listForms)[number];

/**
 * A list of third parties for a privacy statement: a table with a row for each. Names and hosts come from
 * elsewhere: they are escaped for where they go.
 */
export function thirdPartyList(parties: readonly ThirdParty[], form: ListForm): string {
  const heads = spoken.thirdParties.heads;
  const rows = parties.map(({ name, purposes, hosts, loads }) => [
    name,
    spoken.thirdParties.purposes(purposes),
    spoken.thirdParties.loads[loads],
    hosts.join(', '),
  ]);
  return writers[form]([heads.name, heads.purpose, heads.when, heads.hosts], rows);
}

type Writer = (heads: readonly string[], rows: readonly (readonly string[])[]) => string;

const inHtml: Writer = (heads, rows) => {
  const row = (cells: readonly string[], element: 'th' | 'td'): string =>
    `<tr>${cells.map((cell) => `<${element}>${escapeText(cell)}</${element}>`).join('')}</tr>`;
  return `<table>\n<thead>\n${row(heads, 'th')}\n</thead>\n<tbody>\n${rows.map((cells) => `${row(cells, 'td')}\n`).join('')}</tbody>\n</table>\n`;
};

/* What steers Markdown is escaped (CommonMark, section 2.4); nearly everything that reads it knows tables. */
const inMarkdown: Writer = (heads, rows) => {
  const row = (cells: readonly string[]): string => `| ${cells.map(escapeMarkdown).join(' | ')} |\n`;
  return `${row(heads)}|${' --- |'.repeat(heads.length)}\n${rows.map(row).join('')}`;
};

const escapeMarkdown = (text: string): string => text.replace(/[\\`*_[\]<>|#~!]/g, '\\$&');

const inCsv: Writer = (heads, rows) => tableText([heads, ...rows]);

const writers: Readonly<Record<ListForm, Writer>> = { html: inHtml, markdown: inMarkdown, csv: inCsv };
