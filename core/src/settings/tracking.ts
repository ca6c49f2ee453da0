import { contribution, reason, type Option } from '../options/option.ts';
import { switchType } from '../options/types/switch.ts';
import { isTracking } from '../reading/tracking-parameters.ts';

export const option: Option<boolean> = {
  name: 'tracking',
  stage: 'settings',
  type: switchType,
  kinds: 'any',
  example: 'off',
  source: 'observed: parameters that only follow people change nothing of what is shown',
  isOffered: () => true,
  contribute: ({ reading, sheet }, keeps) => {
    if (keeps) return contribution([]);
    return contribution(
      reading.addresses.flatMap((address) => {
        const names = [...new Set(address.parameters.filter((p) => p.in === 'query' && isTracking(p.name, sheet)).map((p) => p.name))];
        return names.map((name) => ({ kind: 'parameter', address, in: 'query', name, value: null, reason: reason('take-tracking-out', { name }) }) as const);
      }),
    );
  },
};
