import type { Run } from '../compose/snippet.ts';
import type { EditorRules } from '../editor/index.ts';
import type { SnippetPosition } from '../options/position.ts';
import { reason } from '../reason.ts';
import { cutRuns, type Cut } from './cut-runs.ts';

/** Fields of an editor that take bare style rules, or a bare script, without the element around them. */
export type FieldPosition = Extract<SnippetPosition, 'page-style' | 'page-script'>;

const elements = { 'page-style': 'style', 'page-script': 'script' } as const;

/** Which field of an editor takes a text: that of an element without attributes. Null for none. */
export function fieldFor(
  text: string,
  { styleField, scriptField }: Pick<EditorRules, 'styleField' | 'scriptField'>,
): FieldPosition | null {
  if (styleField && isAlone(text, 'style')) return 'page-style';
  return scriptField && isAlone(text, 'script') ? 'page-script' : null;
}

/** The same without its element, as the field takes it; every run is traced as before. */
export function bareIn(field: FieldPosition, runs: readonly Run[]): Run[] {
  const length = runs.reduce((sum, { text }) => sum + text.length, 0);
  const name = elements[field];
  const why: Omit<Cut, 'start' | 'end'> = {
    reason: { stage: 'editor', option: 'editor', ...reason('bare-field', { name }) },
    instead: '',
  };
  return cutRuns(runs, [
    { start: 0, end: `<${name}>`.length, ...why },
    { start: length - `</${name}>`.length, end: length, ...why },
  ]);
}

/* The end of an element is looked for, as it may have another one like it behind it. */
function isAlone(text: string, name: string): boolean {
  const small = text.toLowerCase();
  const [open, close] = [`<${name}>`, `</${name}>`];
  return small.startsWith(open) && small.indexOf(close) === small.length - close.length;
}
