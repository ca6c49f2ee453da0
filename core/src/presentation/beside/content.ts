import type { Code } from '../../code.ts';
import { hostOf } from '../../reading/addresses.ts';
import { directOf } from '../../reading/direct.ts';

/** Where visitors find what a code shows, and whose it is. */
export interface Content {
  address: string;
  provider: string;
}

/** The content of a code at its provider, else where its frame or file is; null where nothing tells. */
export function contentOf(code: Code): Content | null {
  const shown = code.reading.addresses.find(
    ({ use }) => use === 'frame' || use === 'media' || use === 'image',
  );
  const address = (code.sheet && directOf(code.reading, [code.sheet])) ?? shown?.url ?? null;
  if (address === null || !/^(?:https?:)?\/\//i.test(address)) return null;
  return { address, provider: providerOf(code) };
}

/** Who is contacted by a code, as visitors are told: the provider’s name, else the host. */
export function providerOf({ reading, sheet }: Code): string {
  const { provider, hosts, addresses } = reading;
  // A sheet for files or pages of any site names no provider.
  if (provider && !sheet?.files && !sheet?.pages) return provider.name;
  return (
    hosts.find(({ when }) => when === 'load')?.host ??
    addresses.map(({ url }) => hostOf(url)).find((host) => host !== null) ??
    '…'
  );
}
