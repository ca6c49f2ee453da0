/** Which kind of embed a code is: evidence is weighed, and too little of it names none. */
import { attribute, type Markup, type MarkupElement } from '../../text/index.ts';
import { isSameReason, reason, type Reason } from '../../reason.ts';
import type { Sheet } from '../../sheets/sheet.ts';
import type { Kind, ReadAddress, Reading } from '../reading.ts';
import type { ScriptFacts } from '../scripts/index.ts';
import { cluesOf } from './clues.ts';
import { evidenceIn } from './evidence.ts';

export { kindWords } from './vocabulary.ts';

/* A sheet for files is of no provider: what it leads to is the whole reason. */
const ofFile: Partial<Record<Kind, Reason>> = {
  video: reason('video-file'),
  audio: reason('audio-file'),
  document: reason('document-file'),
};

/* Below this the evidence is too little to name a kind: it may be chance. */
const enough = 2.5;

/**
 * Weighs the evidence for each kind. Too little, or as much for another kind, is no kind: then it is told
 * what the code is made of, a frame or a picture, or that it is unknown.
 */
export function kindOf(
  markup: Markup,
  main: MarkupElement | null,
  addresses: readonly ReadAddress[],
  sheet: Sheet | null,
  scripts: readonly ScriptFacts[] = [],
): Pick<Reading, 'kind' | 'kindReasons' | 'evidence'> {
  // That something is a picture says only how it is shown: a counter and a badge are pictures too.
  if (sheet && !(sheet.files && sheet.kind === 'image')) {
    const { kind } = sheet;
    const why = (sheet.files && ofFile[kind]) || ofProvider(sheet, addresses);
    return { kind, kindReasons: [why], evidence: [{ kind, weight: 100, reason: why }] };
  }
  const evidence = evidenceIn(cluesOf(markup, main, addresses, scripts));
  const sums = new Map<Kind, number>();
  for (const { kind, weight } of evidence) sums.set(kind, (sums.get(kind) ?? 0) + weight);
  const [[best, most], [other, next]] = strongestTwo(sums);
  if (most >= enough && most > next) {
    return { kind: best, kindReasons: strongest(best, evidence), evidence };
  }
  const why =
    most >= enough
      ? reason('could-be-either', { kind: best, other })
      : reason(evidence.length > 0 ? 'too-little-evidence' : 'no-evidence');
  return { ...withoutKind(markup, main, why), evidence };
}

function ofProvider({ name, kind, loaders }: Sheet, addresses: readonly ReadAddress[]): Reason {
  const has = (what: ReadAddress['use']): boolean => addresses.some(({ use }) => use === what);
  const what = has('frame') ? 'frame' : loaders && has('script') ? 'script' : 'element';
  return reason('of-provider', { what, provider: name, kind });
}

type Sum = readonly [Kind, number];

function strongestTwo(sums: ReadonlyMap<Kind, number>): [Sum, Sum] {
  let [first, second]: [Sum, Sum] = [nobody, nobody];
  for (const sum of sums) {
    if (sum[1] > first[1]) [first, second] = [sum, first];
    else if (sum[1] > second[1]) second = sum;
  }
  return [first, second];
}
const nobody: Sum = ['unknown', 0];

function withoutKind(
  markup: Markup,
  main: MarkupElement | null,
  why: Reason,
): Pick<Reading, 'kind' | 'kindReasons'> {
  if (main && isDrawing(main)) return { kind: 'image', kindReasons: [reason('is-picture'), why] };
  if (main && ['iframe', 'object', 'embed', 'frame'].includes(main.name))
    return { kind: 'frame', kindReasons: [reason('is-frame'), why] };
  // Beside a script a picture stands for what is still to come.
  const isScripted = markup.elements.some((element) => element.name === 'script');
  if (
    !isScripted &&
    (['img', 'picture'].includes(main?.name ?? '') ||
      markup.elements.some((element) => element.name === 'svg'))
  )
    return { kind: 'image', kindReasons: [reason('is-picture'), why] };
  return { kind: 'unknown', kindReasons: [reason('shows-nothing'), why] };
}

/* A plug-in's element that shows a picture file. */
const isDrawing = (main: MarkupElement): boolean =>
  ['object', 'embed'].includes(main.name) && /^image\//i.test(attribute(main, 'type') ?? '');

/* The strongest reasons, each once. */
function strongest(kind: Kind, evidence: Reading['evidence']): Reason[] {
  const reasons: Reason[] = [];
  for (const row of evidence)
    if (row.kind === kind && reasons.length < 4 && !reasons.some((other) => isSameReason(other, row.reason)))
      reasons.push(row.reason);
  return reasons;
}
