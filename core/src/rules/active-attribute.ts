import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'active-attribute',
  level: 'warning',
  source: 'HTML, section 8.1.8 (event handler content attributes); CSP 3, section 6.7.2.3 (policies without unsafe-inline refuse them)',
  check: ({ markup }) =>
    markup.elements.flatMap((element) =>
      element.attributes
        .names()
        .filter((name) => /^on[a-z]{3,}$/.test(name))
        .flatMap((name) => {
          const place = element.attributes.get(name);
          return place ? [{ start: place.start, end: place.end, facts: { attribute: name, element: element.name } }] : [];
        }),
    ),
};
