import { switchIn } from '../settings/stored.ts';
import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'no-way-to-play',
  level: 'error',
  source: 'HTML, section 4.8.11.13 (without controls, only a script or autoplay starts a medium)',
  check: ({ reading, markup, inner, sheet }) => {
    const started = inner.scripts.some((facts) => facts.plays) || reading.parts.some((part) => part.role === 'loader' && part.place === 'body');
    const media = markup.elements.filter(
      (e) =>
        (e.name === 'video' || e.name === 'audio') &&
        !['controls', 'autoplay'].some((name) => e.attributes.has(name)) &&
        ![...e.attributes.names()].some((name) => /^on(?:click|mouse|pointer|touch)/.test(name)),
    );
    return [
      ...(started || markup.elements.some((e) => e.name === 'script') ? [] : media.map((e) => ({ start: e.start, end: e.startTagEnd, facts: { element: e.name } }))),
      ...reading.addresses
        .filter((a) => sheet !== null && a.use === 'frame' && switchIn(a, sheet, 'controls') === false && switchIn(a, sheet, 'autoplay') !== true)
        .map((a) => ({ start: a.start, end: a.end, facts: { element: 'iframe' } })),
    ];
  },
};
