import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'active-attribute',
  level: 'warning',
  source:
    'HTML, section 8.1.8 (event handler content attributes); CSP 3, section 6.7.2.3 (policies without unsafe-inline refuse them)',
  attributes: (element, name) => {
    if (!name.startsWith('on') || !/^on[a-z]{3,}$/.test(name)) return null;
    const { start, end } = element.attributes.get(name)!;
    return { start, end, facts: { attribute: name, element: element.name } };
  },
};
