import { ruleOf } from '../sheets/sheet.ts';
import { readTime, writeTime } from '../sheets/time-format.ts';
import type { Mend, ReadAddress } from '../reading/reading.ts';
import { mendAddress } from './mends.ts';
import type { CodeRule, RuleInput } from './rule.ts';
import { reason } from '../reason.ts';

export const rule: CodeRule = {
  id: 'link-time',
  level: 'warning',
  source: 'observed: a player obeys its own parameters only; the sheet names the one that its links use',
  addresses: (a, input) => {
    const time = a.use === 'frame' ? input.sheet?.linkTime : undefined;
    const found = time && a.parameters.find((p) => p.in === time.in && p.name === time.name);
    return found
      ? {
          start: a.start,
          end: a.end,
          facts: { parameter: found.name, value: found.value },
          mend: asStart(a, found.value, input),
        }
      : null;
  },
};

/* The link's time goes where this provider's frames take their start, unless they have one already. */
function asStart(a: ReadAddress, value: string | null, { sheet, markup }: RuleInput): Mend[] {
  const [time, start] = [sheet?.linkTime, ruleOf<'time'>(sheet, 'start')];
  const seconds = time && value ? readTime(value, time.format) : null;
  if (!time || !start || seconds === null || (start.in !== 'query' && start.in !== 'fragment')) return [];
  const { in: place, name } = start;
  const taken = a.parameters.some((p) => p.in === place && p.name === name);
  const wanted = taken ? [] : [{ in: place, name, value: writeTime(seconds, start.format) }];
  return mendAddress(
    markup,
    a,
    [{ in: time.in, name: time.name, value: null }, ...wanted],
    reason('time-becomes-start', { provider: sheet!.name }),
  );
}
