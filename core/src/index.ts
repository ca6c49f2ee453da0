/**
 * The core of Orbis: text in, data out. `wholeWay` below is all of it in the order of its stages; what the
 * service does between them is keep what came out.
 */
import { openCode, type Code } from './code.ts';
import { compose, snippetText, type Composition } from './compose/index.ts';
import type { Options } from './options/index.ts';
import { planPage, type PagePlan } from './plan/index.ts';
import { reconcile, scanPage, type PlacementSeen } from './scan/index.ts';
import type { Sheet } from './sheets/index.ts';

/** What goes the whole way: a code, what is asked of it, and where it is to stand. */
export interface Traveller {
  text: string;
  options: Options;
  sheets: readonly Sheet[];
  /** The id of the placement, as its mark says it. */
  placement: string;
  /** Site, page and spot. */
  place: string;
  /** From what is pasted to the page as it is published. */
  publish: (pasted: string) => string;
  /** The digest of a text. */
  digest: (text: string) => string;
}

/**
 * The whole way of one code: it is read, composed with what is asked of it, planned for its page, published
 * by its owner, and found again there.
 * @example
 * wholeWay({ …, options: { start: 112 }, publish: (pasted) => `<main>${pasted}</main>` }).seen.state; // live
 */
export function wholeWay({ text, options, sheets, placement, place, publish, digest }: Traveller): {
  code: Code;
  composition: Composition;
  plan: PagePlan;
  seen: PlacementSeen;
} {
  const code = openCode(text, { sheets });
  const composition = compose(code, options);
  const mark = { placement, delivery: 1 };
  const plan = planPage(
    [{ id: placement, place, code, asked: { placement: options }, mark }],
    { head: false },
    digest,
  );
  const pasted = plan.snippets
    .filter(({ position }) => position === 'spot')
    .map(snippetText)
    .join('');
  const page = scanPage(publish(pasted));
  const [seen] = reconcile(page, [{ placement, seenBefore: false, issued: new Map([[1, pasted]]) }]);
  return { code, composition, plan, seen: seen! };
}

export { isSameReason, type Facts, type Reason } from './reason.ts';
export * from './code.ts';
export * from './text/index.ts';
export * from './reading/index.ts';
export { rules, type CodeRule } from './rules/index.ts';
export * from './sheets/index.ts';
export * from './options/index.ts';
export * from './settings/index.ts';
export * from './presentation/index.ts';
export * from './frame/index.ts';
export * from './visitors/index.ts';
export * from './compose/index.ts';
export * from './editor/index.ts';
export * from './feed/index.ts';
export * from './fill/index.ts';
export * from './plan/index.ts';
export * from './isolate/index.ts';
export * from './scan/index.ts';
export * from './in-page/index.ts';
export * from './harvest/index.ts';
export * from './colours/index.ts';
export * from './links/index.ts';
export * from './pages/index.ts';
export * from './learn/index.ts';
export * from './search/index.ts';
export * from './terms/index.ts';
export * from './resources/index.ts';
export * from './evidence/index.ts';
