import { innerText, takesMembers, type Markup, type MarkupElement } from '../text/index.ts';
import { declarationsFor } from './declarations.ts';
import { hasOptions } from './scripts/index.ts';
import type { StyleFacts } from './style-rules.ts';

/** What stands inside a code's elements. To answer takes a parser, so that those who only ask need none. */
export interface Inside {
  /** The declarations that hold for an element, by property: those of the code's own rules that name it, then its style attribute. */
  declarations(element: MarkupElement): ReadonlyMap<string, string>;
  /** Whether an inline script hands an object of options to this call. */
  handsOptionsTo(script: MarkupElement, call: string): boolean;
  /** Whether an attribute holds JSON that a member can be written into; an empty or missing one does. */
  takesMembers(element: MarkupElement, attribute: string): boolean;
}

export const insideOf = (markup: Markup, styles: readonly StyleFacts[]): Inside => ({
  declarations: (element) => declarationsFor(markup, element, styles),
  handsOptionsTo: (script, call) => hasOptions(innerText(markup.text, script), call),
  takesMembers: (element, name) => {
    const found = element.attributes.get(name);
    return takesMembers(found ? markup.text.slice(found.valueStart, found.valueEnd) : '');
  },
});
