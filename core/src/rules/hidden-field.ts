import { attribute, type MarkupElement } from '../text/index.ts';
import { foundIn, type CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'hidden-field',
  level: 'note',
  source:
    'observed: fields that people do not see and robots fill in; what comes with one filled is thrown away',
  elements: {
    named: ['input', 'textarea', 'select'],
    check: (e) =>
      attribute(e, 'type')?.toLowerCase() !== 'hidden' && insideForm(e) && isHidden(e)
        ? foundIn(e, { name: attribute(e, 'name') })
        : null,
  },
};

const hides =
  /display\s?:\s?none|visibility\s?:\s?hidden|(?:left|top|right|text-indent)\s?:\s?-\d{3,}|opacity\s?:\s?0(?![.\d])|clip\s?:\s?rect\(0|(?:width|height)\s?:\s?[01]px/i;

function isHidden(element: MarkupElement): boolean {
  if (attribute(element, 'tabindex') === '-1' && attribute(element, 'autocomplete')?.toLowerCase() === 'off')
    return true;
  for (let at: MarkupElement | null = element; at && at.name !== 'form'; at = at.parent) {
    if (
      at.attributes.has('hidden') ||
      hides.test(attribute(at, 'style') ?? '') ||
      attribute(at, 'aria-hidden') === 'true'
    )
      return true;
  }
  return false;
}

function insideForm(element: MarkupElement): boolean {
  for (let at = element.parent; at; at = at.parent) if (at.name === 'form') return true;
  return false;
}
