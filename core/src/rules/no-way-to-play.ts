import { switchIn } from '../sheets/read-values.ts';
import { ruleOf } from '../sheets/sheet.ts';
import { mendAddress, mendPresence, switchChange } from './mends.ts';
import { foundIn, type CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

const showButtons = reason('show-buttons');

export const rule: CodeRule = {
  id: 'no-way-to-play',
  level: 'error',
  source: 'HTML, section 4.8.11.13 (without controls, only a script or autoplay starts a medium)',
  elements: {
    named: ['video', 'audio'],
    check: (e, { markup, inner }) => {
      if (
        e.attributes.has('controls') ||
        e.attributes.has('autoplay') ||
        e.attributes.names().some((name) => /^on(?:click|mouse|pointer|touch)/.test(name))
      )
        return null;
      const started =
        inner.scripts.some((facts) => facts.plays) ||
        markup.elements.some((other) => other.name === 'script');
      return started ? null : foundIn(e, { element: e.name }, mendPresence(e, 'controls', showButtons));
    },
  },
  addresses: (a, { sheet, markup }) =>
    sheet !== null &&
    a.use === 'frame' &&
    switchIn(a, sheet, 'controls') === false &&
    switchIn(a, sheet, 'autoplay') !== true
      ? {
          start: a.start,
          end: a.end,
          facts: { element: 'iframe' },
          mend: mendAddress(markup, a, switchChange(ruleOf<'switch'>(sheet, 'controls'), true), showButtons),
        }
      : null,
};
