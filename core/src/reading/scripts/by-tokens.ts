import { tokenizer, tokTypes } from 'acorn';
import { addressesIn, looksLikeAddress, noScriptFacts, type ScriptFacts } from './facts.ts';
import { tidy } from './tidy.ts';

/** The tokens alone tell addresses in strings, and the plainest words. */
export function byTokens(text: string): ScriptFacts {
  const facts = { ...noScriptFacts(), whole: false };
  try {
    let before = '';
    for (const token of tokenizer(text, { ecmaVersion: 'latest', allowHashBang: true })) {
      const { value: given } = token as { value?: unknown };
      const value = typeof given === 'string' ? given : '';
      if (token.type === tokTypes.string && looksLikeAddress(value))
        facts.addresses.push({ url: value, use: 'data', when: 'load' });
      if (token.type === tokTypes.name && (value === 'write' || value === 'writeln') && before === 'document')
        facts.writesDocument = true;
      if (token.type === tokTypes.name) before = value;
    }
  } catch {
    // The rest cannot even be cut into tokens: what stands in it like an address is one as
    // far as anybody can tell.
    for (const url of addressesIn(text)) facts.addresses.push({ url, use: 'data', when: 'load' });
    if (/\bdocument\s?\.\s?write(?:ln)?\s?\(/.test(text)) facts.writesDocument = true;
  }
  return tidy(facts);
}
