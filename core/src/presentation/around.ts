import type { Code } from '../code.ts';
import { ourBox, type OurElement } from '../options/change.ts';
import type { Reading } from '../reading/reading.ts';
import type { MarkupElement } from '../text/index.ts';

/* What a pop-up shows stands over the page, and has no place in it. */
export const standsOverPage = ({ kind }: Pick<Reading, 'kind'>): boolean => kind === 'popup';

/* What is wrong with a code that no box can be put around. */
const unfit: ReadonlySet<string> = new Set(['cut-off', 'visible-code']);

/**
 * Whether elements of ours can stand around a code: not where nothing is in it, where it is the text of a
 * code and not one, where its end is missing, which would swallow theirs, and where it stands over the page.
 */
export const canSurround = ({ markup, reading }: Code): boolean =>
  !standsOverPage(reading) &&
  markup.elements.length > 0 &&
  !reading.findings.some(({ rule }) => unfit.has(rule));

/**
 * The box around a code that has no frame and no player: ours, or one that is there already. Null where there
 * can be none.
 */
export function boxAround(code: Code): MarkupElement | OurElement | null {
  if (standsOverPage(code.reading)) return null;
  return boxThere(code) ?? (canSurround(code) ? ourBox : null);
}

/* A box of ours that was collected with the code, or one like it: what is asked goes there. */
function boxThere({ markup: { roots } }: Code): MarkupElement | null {
  const solid = roots.filter((node) => node.kind === 'element' || node.value.trim() !== '');
  const [only] = solid;
  if (solid.length !== 1 || only?.kind !== 'element' || only.name !== 'div') return null;
  const isPlain = only.attributes.names().every((name) => ['class', 'style', 'data-orbis'].includes(name));
  return isPlain && only.children.some(({ kind }) => kind === 'element') ? only : null;
}
