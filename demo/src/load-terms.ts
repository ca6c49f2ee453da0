import type { BodyInput, Client, Routes } from '@orbis/contract';

type Values = BodyInput<Routes['terms.writeOfEmbed']>;

/** Writes down what the observatory has agreed upon with its providers; one contract ends in three weeks. */
export async function loadTerms(client: Client, now = new Date()): Promise<void> {
  const inDays = (days: number): string =>
    new Date(now.getTime() + days * 86_400_000).toISOString().slice(0, 10);
  const ofProviders: Record<string, Values> = {
    kinorill: {
      price: { amount: 12.5, currency: 'EUR', every: 'month' },
      licence: 'The speakers’ leave, in writing',
      ends: inDays(21),
      personalData: false,
    },
    slotsedge: {
      price: { amount: 190, currency: 'GBP', every: 'year' },
      ends: inDays(200),
      personalData: true,
    },
  };
  const ofEmbeds: Record<string, Values> = {
    'membership-pop-up': { viewsAMonth: 20_000, price: { amount: 0, currency: 'EUR', every: 'month' } },
    'the-way-to-the-dome': {
      viewsAMonth: 28_000,
      licence: 'Map data under an open licence, named below the map',
    },
  };
  for (const [provider, body] of Object.entries(ofProviders))
    await client.call('terms.writeOfProvider', { params: { provider }, body, ifMatch: '*' });
  for (const [embed, body] of Object.entries(ofEmbeds))
    await client.call('terms.writeOfEmbed', { params: { embed }, body, ifMatch: '*' });
}
