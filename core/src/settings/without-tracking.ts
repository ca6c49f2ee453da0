import { changeAddress } from '../text/index.ts';
import type { Code } from '../code.ts';
import { followsPeople } from '../reading/follows-people.ts';
import type { Composition } from './composition.ts';

/** Takes every parameter that only follows people out of every address of a code. */
export function withoutTracking(composition: Composition, { reading, sheet }: Code): void {
  for (const address of reading.addresses) {
    const names = [...new Set(address.parameters.filter((p) => p.in === 'query' && followsPeople(p.name, sheet)).map((p) => p.name))];
    for (const name of names) {
      composition.address(address, {
        wish: 'tracking',
        reason: `${name} only follows people; it is taken out`,
        change: (now) => changeAddress(now, [{ in: 'query', name, value: null }]),
      });
    }
  }
}
