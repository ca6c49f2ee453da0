import { attribute, type Markup } from '../text/index.ts';
import type { Claim } from './reading.ts';
import type { ScriptFacts } from './scripts/index.ts';
import type { StyleFacts } from './style-rules.ts';

/**
 * What a second copy of a code on the page would collide with: ids, fields that a script looks up by name,
 * names that scripts make global, listeners on window and document, and style rules that reach beyond the
 * code's own elements.
 */
export function claimsOf(
  markup: Markup,
  scripts: readonly ScriptFacts[],
  styles: readonly StyleFacts[],
): Claim[] {
  const claims: Claim[] = [];
  const byName = new Map<string, Claim>();
  const note = (what: Claim['what'], name: string, shared = false): void => {
    const key = `${what} ${name}`;
    const known = byName.get(key);
    if (known) {
      known.shared &&= shared;
      return;
    }
    const claim = { what, name, shared };
    byName.set(key, claim);
    claims.push(claim);
  };
  for (const element of markup.elements) {
    const id = attribute(element, 'id');
    if (id) note('id', id);
  }
  if (scripts.length === 0 && styles.length === 0) return claims;
  const looked = new Set(scripts.flatMap((facts) => facts.fields));
  for (const element of markup.elements) {
    const name = attribute(element, 'name');
    if (name && looked.has(name)) note('field', name);
  }
  for (const facts of scripts) {
    for (const { name, shared } of facts.globals) note('global', name, shared);
    for (const event of facts.listeners) note('listener', event);
  }
  for (const { selector } of globalRules(markup, styles)) note('style', selector);
  return claims;
}

/** The style rules that reach elements beyond the code's own: those that name no id and no class of it. */
export function globalRules(markup: Markup, styles: readonly StyleFacts[]): { selector: string }[] {
  if (styles.length === 0) return [];
  const ids = new Set(markup.elements.flatMap((element) => attribute(element, 'id') ?? []));
  const classes = new Set(
    markup.elements.flatMap((element) => (attribute(element, 'class') ?? '').split(/\s+/)),
  );
  // A custom element's name is the provider's own as well.
  const custom = new Set(
    markup.elements.filter((element) => element.name.includes('-')).map((element) => element.name),
  );
  return (
    styles
      .flatMap((facts) => facts.rules)
      // A rule with a class or an id of the provider's own reaches what the provider makes; one without
      // reaches the page.
      .filter(
        (rule) => !rule.ids.some((id) => ids.has(id)) && !rule.classes.some((name) => classes.has(name)),
      )
      .filter(
        (rule) =>
          rule.ids.length === 0 &&
          rule.classes.length === 0 &&
          ![...custom].some((name) => rule.selector.includes(name)),
      )
  );
}
