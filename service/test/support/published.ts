import { loopbackFetch } from '@orbis/demo';
import type { Delivery } from '@orbis/contract';
import type { TestOrbis } from './orbis.ts';

/** The demo site’s talks page, as its owner works on it. */
export interface Published {
  site: string;
  /** Collects a code; its key is its name in lower case. */
  collect(name: string, text: string, options?: Record<string, unknown>): Promise<void>;
  /** The id of the placement at a spot. */
  place(embed: string, spot: string, options?: Record<string, unknown>): Promise<string>;
  end(placement: string): Promise<void>;
  /** Ends what was placed and did not end, so that the next test has a page of its own. */
  endAll(): Promise<void>;
  delivered(placement: string): Promise<Delivery>;
  /** Puts codes onto the page, in the place of what was there. */
  publish(...codes: string[]): Promise<void>;
}

/** Works on the talks page of a site that was declared (see `declareSite`). */
export function publishedWith({ client, world }: Pick<TestOrbis, 'client' | 'world'>): Published {
  const placed = new Set<string>();
  const end = async (placement: string): Promise<void> => {
    const { etag } = await client.call('placements.read', { params: { placement } });
    await client.call('placements.delete', { params: { placement }, ifMatch: etag! });
    placed.delete(placement);
  };
  const site = `http://hollinfell.localhost:${world.port}`;
  return {
    site,
    collect: async (name, text, options = {}) => {
      await client.call('embeds.create', { body: { name, text, options: options as never } });
    },
    place: async (embed, spot, options = {}) => {
      const { data } = await client.call('placements.create', {
        body: { embed, place: `hollinfell/talks#${spot}`, options: options as never },
      });
      placed.add(data.id);
      return data.id;
    },
    end,
    endAll: async () => {
      for (const id of placed) await end(id);
    },
    delivered: async (placement) => (await client.call('deliveries.create', { params: { placement } })).data,
    publish: async (...codes) => {
      await loopbackFetch()(`${site}/edit/talks`, {
        method: 'POST',
        redirect: 'manual',
        body: new URLSearchParams({ 'spot-opening': codes.join('\n') }).toString(),
        headers: { 'content-type': 'application/x-www-form-urlencoded' },
      });
    },
  };
}
