import { attribute } from '../text/index.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'half-code',
  level: 'error',
  source: 'observed: codes of a loader and an element, of which one half was pasted',
  check: ({ reading, markup }) => {
    if (reading.input !== 'code') return [];
    const scripts = markup.elements.some((e) => e.name === 'script');
    const shows = reading.parts.some((part) => ['frame', 'media', 'form', 'image'].includes(part.role));
    if (scripts || shows) return [];
    // An element that only a script can fill: a custom element, or an empty one that carries data.
    return reading.parts
      .filter((part) => part.role === 'mount')
      .filter((part) => {
        const element = markup.elements.find((e) => e.start === part.start);
        return (
          element !== undefined &&
          (element.name.includes('-') ||
            (element.name !== 'blockquote' && element.attributes.names().some((name) => name.startsWith('data-') && attribute(element, name) !== null)))
        );
      })
      .map(({ start, end }) => ({ start, end, facts: { missing: 'loader' } }));
  },
};
