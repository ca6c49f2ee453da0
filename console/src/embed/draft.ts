import { dressNamed, dressNames, handName, settingNamed, settingNames, type Dress, type Settings } from '@orbis/core';
import { sayWishes, type ParsedWishes } from '@orbis/contract';

/** The wishes as they stand in the form: one text for each name; empty means not wished. */
export type Draft = Record<string, string>;

export const draftOf = (wishes: ParsedWishes): Draft => Object.fromEntries(sayWishes(wishes).map(({ name, value }) => [name, value]));

/** The wishes that a draft comes to, and what cannot be understood in it, by name. */
export function wishesOf(draft: Draft): { wishes: ParsedWishes; wrong: Record<string, string> } {
  const wishes: ParsedWishes = { settings: {}, dress: {} };
  const wrong: Record<string, string> = {};
  for (const [name, text] of Object.entries(draft)) {
    if (!name.startsWith(handName(''))) continue;
    // A parameter may well be empty: it is wished as soon as it is there.
    wishes.settings.parameters = { ...wishes.settings.parameters, [name.slice(handName('').length)]: text };
  }
  for (const name of [...settingNames, ...dressNames]) {
    const text = draft[name]?.trim() ?? '';
    if (text === '') continue;
    const setting = settingNamed(name);
    const parsed = (setting ?? dressNamed(name))!.parse(text);
    if (!parsed.ok) wrong[name] = `Write ${parsed.expected}.`;
    else if (setting) Object.assign(wishes.settings satisfies Settings, { [name]: parsed.value });
    else Object.assign(wishes.dress satisfies Dress, { [name]: parsed.value });
  }
  return { wishes, wrong };
}
