import { declarationsFor } from '../reading/declarations.ts';
import type { StyleFacts } from '../reading/style-rules.ts';
import { attribute, type Markup, type MarkupElement } from '../text/index.ts';
import { foundIn, type CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'hidden-field',
  level: 'note',
  source:
    'observed: fields that people do not see and robots fill in; what comes with one filled is thrown away',
  elements: {
    named: ['input', 'textarea', 'select'],
    check: (e, { markup, inner }) =>
      attribute(e, 'type')?.toLowerCase() !== 'hidden' &&
      insideForm(e) &&
      (isHidden(e, markup, inner.styles) || isTrap(e))
        ? foundIn(e, { name: attribute(e, 'name') })
        : null,
  },
};

const hides =
  /display\s?:\s?none|visibility\s?:\s?hidden|(?:left|top|right|text-indent)\s?:\s?-\d{3,}|opacity\s?:\s?0(?![.\d])|clip\s?:\s?rect\(0|clip-path\s?:\s?inset\(|(?:^|[;\s-])(?:width|height)\s?:\s?[01](?:px)?(?![.\d%a-z])/i;

/* What such a field, or the box around it, is called. */
const traps = /honey|(?:^|[\s_-])hp(?:$|[\s_-])|bot-?field|no-?robot|leave-?(?:this-?)?(?:blank|empty)/i;

const isTrap = (field: MarkupElement): boolean =>
  [field, field.parent].some(
    (element) =>
      element !== null &&
      element.name !== 'form' &&
      ['name', 'class', 'id'].some((name) => traps.test(attribute(element, name) ?? '')),
  );

function isHidden(element: MarkupElement, markup: Markup, styles: readonly StyleFacts[]): boolean {
  if (attribute(element, 'tabindex') === '-1' && attribute(element, 'autocomplete')?.toLowerCase() === 'off')
    return true;
  for (let at: MarkupElement | null = element; at && at.name !== 'form'; at = at.parent) {
    if (
      at.attributes.has('hidden') ||
      hides.test(attribute(at, 'style') ?? '') ||
      (styles.length > 0 && hides.test(declared(at, markup, styles))) ||
      attribute(at, 'aria-hidden') === 'true'
    )
      return true;
  }
  return false;
}

const declared = (element: MarkupElement, markup: Markup, styles: readonly StyleFacts[]): string =>
  [...declarationsFor(markup, element, styles)].map(([name, value]) => `${name}:${value}`).join(';');

function insideForm(element: MarkupElement): boolean {
  for (let at = element.parent; at; at = at.parent) if (at.name === 'form') return true;
  return false;
}
