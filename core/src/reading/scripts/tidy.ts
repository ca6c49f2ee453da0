import type { ScriptFacts } from './facts.ts';

/** Each thing once. */
export function tidy(facts: ScriptFacts): ScriptFacts {
  const once = <T>(items: T[], keyOf: (item: T) => string): T[] => [
    ...new Map(items.map((item) => [keyOf(item), item])).values(),
  ];
  const plain = (item: string): string => item;
  return {
    ...facts,
    addresses: once(facts.addresses, (a) => `${a.url} ${a.use}`),
    ids: once(facts.ids, plain),
    classes: once(facts.classes, plain),
    fields: once(facts.fields, plain),
    listeners: once(facts.listeners, plain),
    creates: once(facts.creates, plain),
    calls: once(facts.calls, plain),
    keys: once(facts.keys, plain),
    // A name that is made twice is shared only where every time is.
    globals: once(facts.globals, (g) => g.name).map(({ name }) => ({
      name,
      shared: facts.globals.filter((g) => g.name === name).every((g) => g.shared),
    })),
  };
}
