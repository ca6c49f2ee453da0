import { attribute } from '../text/index.ts';
import { isTracking } from '../reading/tracking-parameters.ts';
import { mendAddress } from './mends.ts';
import { foundIn, type CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

const isPoint = (value: string | null): boolean =>
  value !== null && /^\s{0,8}[01](?:px)?\s{0,8}$/.test(value);

export const rule: CodeRule = {
  id: 'tracking',
  level: 'note',
  source: 'observed: parameters of campaigns and clicks; pictures of one pixel',
  elements: {
    named: ['img', 'iframe'],
    check: (e) =>
      isPoint(attribute(e, 'width')) && isPoint(attribute(e, 'height'))
        ? foundIn(e, { what: 'pixel', name: e.name })
        : null,
  },
  addresses: (a, { markup, sheet }) =>
    a.parameters
      .filter((p) => p.in === 'query' && isTracking(p.name, sheet))
      .map((p) => ({
        start: a.start,
        end: a.end,
        facts: { what: 'parameter', name: p.name },
        mend: mendAddress(
          markup,
          a,
          [{ in: 'query', name: p.name, value: null }],
          reason('take-tracking-out', { name: p.name }),
        ),
      })),
};
