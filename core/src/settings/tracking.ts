import type { Code } from '../code.ts';
import { contribution, type Option } from '../options/option.ts';
import { reason } from '../reason.ts';
import { switchType } from '../options/types/switch.ts';
import type { ReadAddress } from '../reading/reading.ts';
import { isTracking } from '../reading/tracking-parameters.ts';

/* The parameters of an address that only follow people. */
const trackingIn = (address: ReadAddress, { sheet }: Pick<Code, 'sheet'>): string[] => [
  ...new Set(
    address.parameters.filter((p) => p.in === 'query' && isTracking(p.name, sheet)).map((p) => p.name),
  ),
];

export const option: Option<boolean> = {
  name: 'tracking',
  stage: 'settings',
  type: switchType,
  kinds: 'any',
  example: 'off',
  source: 'observed: parameters that only follow people change nothing of what is shown',
  isOffered: () => true,
  current: (code) =>
    code.reading.addresses.some((address) => trackingIn(address, code).length > 0) ? true : null,
  contribute: (code, keeps) => {
    if (keeps) return contribution([]);
    return contribution(
      code.reading.addresses.flatMap((address) => {
        return trackingIn(address, code).map(
          (name) =>
            ({
              kind: 'parameter',
              address,
              in: 'query',
              name,
              value: null,
              reason: reason('take-tracking-out', { name }),
            }) as const,
        );
      }),
    );
  },
};
