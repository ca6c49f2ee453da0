/** Which kind of embed a code is: evidence is weighed, and too little of it names none. */
import type { Markup, MarkupElement } from '../../text/index.ts';
import type { Sheet } from '../../sheets/sheet.ts';
import type { Kind, ReadAddress, Reading } from '../reading.ts';
import type { ScriptFacts } from '../scripts/index.ts';
import { cluesOf } from './clues.ts';
import { evidenceIn } from './evidence.ts';

export { vocabulary } from './vocabulary.ts';

/* Below this the evidence is too little to name a kind: it may be chance. */
const enough = 3;

/**
 * Weighs the evidence for each kind. Too little, or as much for another kind, is no kind: then it is told what the code
 * is made of, a frame or a picture, or that it is unknown.
 */
export function kindOf(
  markup: Markup,
  main: MarkupElement | null,
  addresses: readonly ReadAddress[],
  sheet: Sheet | null,
  scripts: readonly ScriptFacts[] = [],
): Pick<Reading, 'kind' | 'kindBecause' | 'evidence'> {
  if (sheet) {
    const { kind } = sheet;
    const what = addresses.some(({ use }) => use === 'frame') ? "frame's address" : sheet.loaders && addresses.some(({ use }) => use === 'script') ? 'script' : 'element';
    const reason = `its ${what} is one of ${sheet.name}, whose sheet says that it is a ${kind} provider`;
    return { kind, kindBecause: `I${reason.slice(1)}.`, evidence: [{ kind, weight: 100, reason }] };
  }
  const evidence = evidenceIn(cluesOf(markup, main, addresses, scripts));
  const sums = new Map<Kind, number>();
  for (const { kind, weight } of evidence) sums.set(kind, (sums.get(kind) ?? 0) + weight);
  let [best, most, next]: [Kind, number, number] = ['unknown', 0, 0];
  for (const [kind, sum] of sums) {
    if (sum > most) [best, most, next] = [kind, sum, most];
    else if (sum > next) next = sum;
  }
  if (most >= enough && most > next) {
    return { kind: best, kindBecause: because(best, evidence), evidence };
  }
  return { ...withoutKind(markup, main, evidence.length > 0), evidence };
}

function withoutKind(markup: Markup, main: MarkupElement | null, some: boolean): Pick<Reading, 'kind' | 'kindBecause'> {
  const little = some ? 'what speaks for a kind is too little, or speaks for another one as well' : 'nothing in it tells what it shows';
  if (main && ['iframe', 'object', 'embed', 'frame'].includes(main.name)) return { kind: 'frame', kindBecause: sentence(`it is a frame, and ${little}`) };
  if (main?.name === 'img' || markup.elements.some((element) => element.name === 'svg')) return { kind: 'image', kindBecause: sentence(`it is a picture, and ${little}`) };
  return { kind: 'unknown', kindBecause: sentence(`it has no frame, player, form or picture of its own, and ${little}`) };
}

const sentence = (text: string): string => `${text.charAt(0).toUpperCase()}${text.slice(1)}.`;
/* The strongest reasons, as one sentence. */
function because(kind: Kind, evidence: Reading['evidence']): string {
  const reasons: string[] = [];
  for (const row of evidence) if (row.kind === kind && reasons.length < 4 && !reasons.includes(row.reason)) reasons.push(row.reason);
  const last = reasons.pop()!;
  return sentence(reasons.length > 0 ? `${reasons.join(', ')} and ${last}` : last);
}
