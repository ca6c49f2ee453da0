// A page with what Orbis can put around, over and beside an embed, one look beside the other.
import { compose, documentText, openCode, type Sheet } from '@orbis/core';
import { optionsLine } from '@orbis/contract';
import { looksCodes } from './codes.ts';
import type { Look } from './options.ts';

const looks: readonly Look[] = [
  { of: 'film', options: { fit: 'shape', shape: { width: 21, height: 9 }, corners: 14 } },
  { of: 'film', options: { fit: 'shape', load: 'click' } },
  { of: 'map', options: { 'fit': 'shape', 'load': 'click', 'load-words': 'Where we are' } },
  { of: 'film', options: { fit: 'shape', heading: 'Night on the moor', caption: 'Filmed from the ridge' } },
  { of: 'film', options: { fit: 'shape', backdrop: '#24382f', heading: 'Tonight', fallback: true } },
  {
    of: 'film',
    options: { 'fit': 'shape', 'tint': '#3a1d4d', 'tint-strength': 55, 'words-over': 'Open until dusk' },
  },
  {
    of: 'map',
    options: { 'crop-left': 180, 'crop-top': 120, 'crop-width': 260, 'crop-height': 200, 'border': 2 },
  },
  { of: 'film', options: { 'fit': 'shape', 'max-width': 260, 'align': 'right', 'shadow': 'strong' } },
  {
    of: 'form',
    options: { 'backdrop': '#f1e6d2', 'leave-out': ['heading'], 'max-width': 300, 'align': 'centre' },
  },
];

/** The page, with codes of the demo’s providers at this port. */
export function looksPage(sheets: readonly Sheet[], port: number): string {
  const codes = looksCodes(port);
  const cells = looks.map(({ of, options }) => {
    const { snippets, problems } = compose(openCode(codes[of], { sheets }), options);
    if (problems.length > 0) throw new Error(JSON.stringify(problems));
    return `<section><code>${optionsLine(options).replaceAll('&', '&amp;').replaceAll('<', '&lt;')}</code><div>${documentText(snippets)}</div></section>`;
  });
  return `<!doctype html><meta charset="utf-8"><title>Looks</title><style>
body{margin:0;padding:28px;font:16px/1.5 Georgia,serif;background:#fbf8f1;color:#232a27;display:grid;grid-template-columns:repeat(3,minmax(0,1fr));gap:28px}
section{display:flex;flex-direction:column;gap:10px;min-width:0}code{font:12.5px/1.45 monospace;color:#5a615c;min-height:3.6em}h2{font-size:1.25rem}
</style>${cells.join('')}`;
}
