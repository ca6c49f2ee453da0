import { attribute, type Markup, type MarkupElement } from '../text/index.ts';
import { innerTexts } from './addresses.ts';
import { isDataScript } from './roles.ts';
import { addressesIn, noScriptFacts, readScript, type ScriptFacts } from './scripts/index.ts';
import { readStyleRules, type StyleFacts } from './style-rules.ts';

/** What is inside a code's scripts and styles. */
export interface Inner {
  scripts: ScriptFacts[];
  styles: StyleFacts[];
  /** The facts of one inline script; null for data scripts and for scripts from elsewhere. */
  factsOf(element: MarkupElement): ScriptFacts | null;
  /** Elements whose content was read by its tokens only. */
  notWhole: MarkupElement[];
}

/** What a text has that is no code. */
export const noInner: Inner = { scripts: [], styles: [], factsOf: () => null, notWhole: [] };

const isActive = (element: MarkupElement): boolean => {
  if (element.name === 'script' || element.name === 'style') return true;
  for (const { name } of element.attributes.entries) if (name.startsWith('on')) return true;
  return false;
};

const isModule = (script: MarkupElement): boolean =>
  attribute(script, 'type')?.trim().toLowerCase() === 'module';

/** Reads every inline script and style element of a code, and the scripts in `on…` attributes. */
export function readInner(markup: Markup): Inner {
  if (!markup.elements.some(isActive)) return noInner;
  const byElement = new Map<MarkupElement, ScriptFacts>();
  const notWhole: MarkupElement[] = [];
  const data: ScriptFacts[] = [];
  for (const { element, text } of innerTexts(markup, 'script')) {
    if (isDataScript(element)) {
      data.push({
        ...noScriptFacts(),
        addresses: addressesIn(text).map((url) => ({ url, use: 'data' as const, when: 'use' as const })),
      });
      continue;
    }
    const facts = readScript(text, isModule(element));
    byElement.set(element, facts);
    if (!facts.whole) notWhole.push(element);
  }
  const handlers: ScriptFacts[] = [];
  for (const { attributes } of markup.elements)
    for (const { name, value } of attributes.entries)
      if (name.startsWith('on') && /^on[a-z]+$/.test(name)) handlers.push(readScript(value));
  const styles = innerTexts(markup, 'style').map(({ element, text }) => {
    const facts = readStyleRules(text);
    if (!facts.whole) notWhole.push(element);
    return facts;
  });
  // What a handler assigns is its element's own business; what it contacts counts.
  const handled = handlers.map((facts) => ({ ...facts, globals: [], ids: [], classes: [], fields: [] }));
  return {
    scripts: [...byElement.values(), ...data, ...handled],
    styles,
    factsOf: (element) => byElement.get(element) ?? null,
    notWhole,
  };
}
