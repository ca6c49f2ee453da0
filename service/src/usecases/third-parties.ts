import { parse } from 'tldts';
import { defaultsFor, type Kind, type Sheet } from '@orbis/core';
import type { LoadTime, ThirdParty } from '@orbis/contract';
import type { Handle } from '../database/connect.ts';
import { groupBy } from '../store/group.ts';
import { declaredAddresses } from '../store/places.ts';
import {
  contactingEmbeds,
  placedUses,
  type ContactingEmbed,
  type PlacedUse,
} from '../store/third-parties.ts';

/**
 * Whom the browsers of visitors contact for what is placed, by name: each provider with a sheet, and each
 * domain of codes that nobody knows. The hosts of one’s own sites are no third parties.
 */
export async function thirdPartiesOf(
  db: Handle,
  siteId: number | null,
  sheets: readonly Sheet[],
): Promise<ThirdParty[]> {
  const uses = groupBy(await placedUses(db, siteId), ({ embedId }) => embedId);
  const own = (await declaredAddresses(db)).map((address) => new URL(address).hostname);
  const parties = new Map<string, Gathered>();
  for (const embed of await contactingEmbeds(db, [...uses.keys()])) {
    const hosts = embed.hosts.filter((host) => !isOf(own, host));
    for (const [key, party] of partiesOf(embed, hosts, sheets)) {
      const gathered = parties.get(key) ?? {
        ...party,
        hosts: new Set(),
        kinds: new Set(),
        uses: [],
        embeds: 0,
      };
      parties.set(key, gathered);
      gather(gathered, embed, { hosts: party.hosts, uses: uses.get(embed.id)! });
    }
  }
  return [...parties.values()]
    .map(told)
    .sort((a, b) => (a.name.toLowerCase() < b.name.toLowerCase() ? -1 : 1));
}

interface Gathered {
  name: string;
  provider: string | null;
  hosts: Set<string>;
  kinds: Set<Kind>;
  uses: (PlacedUse & { waits: boolean })[];
  embeds: number;
}

const isOf = (own: readonly string[], host: string): boolean =>
  own.some((each) => host === each || host.endsWith(`.${each}`));

/* Of a code that nobody knows each domain is a party of its own. */
function partiesOf(
  { provider }: ContactingEmbed,
  hosts: readonly string[],
  sheets: readonly Sheet[],
): [string, { name: string; provider: string | null; hosts: readonly string[] }][] {
  if (hosts.length === 0) return [];
  if (provider !== null) {
    const name = sheets.find(({ id }) => id === provider)?.name ?? provider;
    return [[`provider ${provider}`, { name, provider, hosts }]];
  }
  return [...groupBy(hosts, domainOf)].map(([name, part]) => [
    `domain ${name}`,
    { name, provider, hosts: part },
  ]);
}

/* The registrable domain; of hosts without one (numbers, bare names) the host. */
const domainOf = (host: string): string => parse(host, { allowPrivateDomains: true }).domain ?? host;

function gather(
  party: Gathered,
  { kind, options }: ContactingEmbed,
  { hosts, uses }: { hosts: readonly string[]; uses: readonly PlacedUse[] },
): void {
  for (const host of hosts) party.hosts.add(host);
  party.kinds.add(kind as Kind);
  party.embeds += 1;
  for (const use of uses) {
    const load = use.load ?? options['load'] ?? defaultsFor(use.defaults, kind as Kind)['load'] ?? 'now';
    party.uses.push({ ...use, waits: load === 'click' || load === 'allow' });
  }
}

const told = ({ name, provider, hosts, kinds, uses, embeds }: Gathered): ThirdParty => ({
  ...{ name, provider, embeds },
  purposes: [...kinds].sort(),
  hosts: [...hosts].sort(),
  loads: loadsOf(uses),
  places: uses.reduce((sum, { places }) => sum + places, 0),
  sites: [...new Set(uses.map(({ site }) => site))].sort(),
});

function loadsOf(uses: readonly { waits: boolean }[]): LoadTime {
  if (uses.every(({ waits }) => waits)) return 'waits';
  return uses.some(({ waits }) => waits) ? 'both' : 'at-once';
}
