import {
  innerText,
  readJson,
  takesMembers,
  type Markup,
  type MarkupElement,
  type PlainValue,
} from '../text/index.ts';
import { declarationsFor } from './declarations.ts';
import { hasOptions, readOption } from './scripts/index.ts';
import type { StyleFacts } from './style-rules.ts';

/** What stands inside a code's elements. To answer takes a parser, so that those who only ask need none. */
export interface Inside {
  /**
   * The declarations that hold for an element, by property: those of the code's own rules that name it, then
   * its style attribute.
   */
  declarations(element: MarkupElement): ReadonlyMap<string, string>;
  /** Whether an inline script hands an object of options to this call. */
  handsOptionsTo(script: MarkupElement, call: string): boolean;
  /** Whether an attribute holds JSON that a member can be written into; an empty or missing one does. */
  takesMembers(element: MarkupElement, attribute: string): boolean;
  /**
   * A plain member of the JSON in an attribute, or of the options that a script hands over;
   * null where there is none.
   */
  member(
    element: MarkupElement,
    of: { attribute: string } | { call: string },
    path: readonly string[],
  ): PlainValue | null;
}

export const insideOf = (markup: Markup, styles: readonly StyleFacts[]): Inside => ({
  declarations: (element) => declarationsFor(markup, element, styles),
  handsOptionsTo: (script, call) => hasOptions(innerText(markup.text, script), call),
  takesMembers: (element, name) => takesMembers(rawOf(markup, element, name)),
  member: (element, of, path) =>
    'call' in of
      ? readOption(innerText(markup.text, element), of.call, path)
      : readJson(rawOf(markup, element, of.attribute) || '{}', path),
});

function rawOf({ text }: Markup, element: MarkupElement, name: string): string {
  const found = element.attributes.get(name);
  return found ? text.slice(found.valueStart, found.valueEnd) : '';
}
