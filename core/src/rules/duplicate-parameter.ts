import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'duplicate-parameter',
  level: 'warning',
  source: 'URL, section 5.1 (names may come twice; which one counts is each server’s own affair)',
  addresses: (a) => {
    if (a.parameters.length < 2) return null;
    const seen = new Map<string, string | null>();
    const twice = new Set<string>();
    for (const { name, value, in: place } of a.parameters) {
      const key = `${place} ${name}`;
      // Lists are written so on purpose.
      if (name.endsWith('[]')) continue;
      if (seen.has(key) && seen.get(key) !== value) twice.add(name);
      seen.set(key, value);
    }
    return twice.size === 0
      ? null
      : [...twice].map((name) => ({ start: a.start, end: a.end, facts: { parameter: name } }));
  },
};
