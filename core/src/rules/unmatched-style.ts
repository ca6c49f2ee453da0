import { attribute, innerText, isOneEditAway, type Markup } from '../text/index.ts';
import type { Inner } from '../reading/inner.ts';
import type { CodeRule, Found } from './rule.ts';

export const rule: CodeRule = {
  id: 'unmatched-style',
  level: 'warning',
  source: 'observed: players that were wrapped by hand, with a slip in the name of the box or of its rule',
  code: ({ reading: { input }, markup, inner }) =>
    input !== 'code' || (inner.styles.length === 0 && inner.scripts.length === 0)
      ? null
      : slips(markup, inner),
};

/* Names of letters only a digit apart are different on purpose, and so are one and many. */
const isSlip = (found: string, meant: string): boolean =>
  found.length >= shortest &&
  isOneEditAway(found, meant) &&
  found.replaceAll(/\d/g, '') !== meant.replaceAll(/\d/g, '') &&
  `${found}s` !== meant &&
  found !== `${meant}s`;
const shortest = 4;
const mostNames = 200;

function slips(markup: Markup, { styles, scripts }: Inner): Found[] {
  const [ids, classes] = [new Set<string>(), new Set<string>()];
  for (const element of markup.elements) {
    const id = attribute(element, 'id');
    if (id) ids.add(id);
    for (const name of (attribute(element, 'class') ?? '').split(/\s+/)) if (name) classes.add(name);
  }
  if (ids.size + classes.size === 0 || ids.size + classes.size > mostNames) return [];
  const rules = styles.flatMap((facts) => facts.rules);
  // What two rules call so is made by the provider's script, or nothing of this code.
  const looked: [where: string, names: Iterable<string>, known: ReadonlySet<string>][] = [
    ['style', new Set(rules.flatMap((rule) => rule.classes)), classes],
    ['style', new Set(rules.flatMap((rule) => rule.ids)), ids],
    ['script', new Set(scripts.flatMap((facts) => facts.classes)), classes],
    ['script', new Set(scripts.flatMap((facts) => facts.ids)), ids],
  ];
  return looked.flatMap(([where, names, known]) =>
    [...names]
      .slice(0, mostNames)
      .filter((name) => !known.has(name))
      .flatMap((found) => {
        const meant = [...known].find((name) => isSlip(found, name));
        return meant === undefined ? [] : placed(markup, where, found, meant);
      }),
  );
}

/* Where the name stands. */
function placed(markup: Markup, where: string, found: string, meant: string): Found[] {
  for (const element of markup.elements) {
    if (element.name !== where) continue;
    const at = innerText(markup.text, element).indexOf(found);
    if (at < 0) continue;
    const start = element.startTagEnd + at;
    return [{ start, end: start + found.length, facts: { where, found, meant } }];
  }
  return [];
}
