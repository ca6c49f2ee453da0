import { pathOf } from './constants.ts';
import { addressesIn, type ScriptFacts } from './facts.ts';
import type { Guard } from './guards.ts';
import { givenFor, walk, type AnyNode, type Scope } from './walk.ts';

/** What an address is used for. */
export type AddressUse = ScriptFacts['addresses'][number]['use'];

/** What a script is read with: what was found so far, and how expressions come to texts and addresses. */
export interface Pass {
  facts: ScriptFacts;
  /** Elements that were made, by the names that they were given. */
  created: Map<string, string>;
  text: (node: unknown) => string | null;
  /** What comes out of an expression whichever way its conditions go. */
  texts: (node: unknown) => string[];
  address: (node: unknown, use: AddressUse, when: 'load' | 'use') => void;
  /** Names that stand for the document or the window (`var d = document`). */
  aliases: Map<string, string>;
  /** Where a name is set only if nothing has it yet (`if (!window.lib) …`). */
  guards: Guard[];
  isModule: boolean;
}

/** Names that stand for the window itself. */
export const globals = new Set(['window', 'self', 'globalThis', 'top', 'parent', 'frames']);

/** What a script declares outside of functions is everybody's, and what a module declares its own. */
export const isGlobal = (scope: Scope, { isModule }: Pass): boolean => scope.depth === 0 && !isModule;

/**
 * A path in which a name that was passed in stands for what was passed: `d` for `document`, `w` for `window`.
 */
export function realPath(node: AnyNode, scope: Scope, aliases: ReadonlyMap<string, string>): string {
  const path = pathOf(node);
  const [head = '', ...rest] = path.split('.');
  const given = head ? givenFor(head, scope) : null;
  const real = given ? pathOf(given) : (aliases.get(head) ?? head);
  return [real === 'this' && scope.depth <= 1 ? 'window' : real, ...rest]
    .join('.')
    .replace(/^(?:window|self|globalThis)\.(?=.)/, '');
}

/** Takes everything inside an expression as seen. */
export function markInside(node: AnyNode, seen: Set<AnyNode>): void {
  walk(node, (inner) => void seen.add(inner));
}

/** Addresses in a piece of markup that a script writes. */
export function addAddresses(markup: string, facts: ScriptFacts): void {
  for (const url of addressesIn(markup)) facts.addresses.push({ url, use: 'data', when: 'load' });
}
