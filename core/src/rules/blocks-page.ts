import { attribute } from '../text/index.ts';
import { isDataScript, isBlocked } from '../reading/roles.ts';
import { foundIn, type CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'blocks-page',
  level: 'warning',
  source: 'HTML, section 4.12.1 (a classic script without async or defer holds up the parser)',
  elements: {
    named: ['script'],
    check: (e) => {
      const url = attribute(e, 'src');
      const waits =
        url !== null &&
        !e.attributes.has('async') &&
        !e.attributes.has('defer') &&
        attribute(e, 'type')?.toLowerCase() !== 'module' &&
        !isDataScript(e) &&
        !isBlocked(e);
      return waits ? foundIn(e, { url }) : null;
    },
  },
};
