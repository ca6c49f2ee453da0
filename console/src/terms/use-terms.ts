import { useQuery } from '@tanstack/react-query';
import type { Terms, TermsValues } from '@orbis/contract';
import { api, heldForForm } from '../api.ts';

/** Whose terms these are. */
export type TermsOf = { embed: string } | { provider: string };

const read = (of: TermsOf) =>
  'embed' in of ? api.call('terms.ofEmbed', { params: of }) : api.call('terms.ofProvider', { params: of });

/** Writes down what has been agreed upon. */
export const writeTerms = (of: TermsOf, body: TermsValues, ifMatch: string): Promise<unknown> =>
  'embed' in of
    ? api.call('terms.writeOfEmbed', { params: of, body, ifMatch })
    : api.call('terms.writeOfProvider', { params: of, body, ifMatch });

/** What has been agreed upon for an embed or with a provider, with its state. */
export const useTerms = (of: TermsOf) =>
  useQuery({
    queryKey: ['terms', of],
    meta: heldForForm,
    queryFn: async (): Promise<{ terms: Terms; etag: string }> => {
      const { data, etag } = await read(of);
      return { terms: data, etag: etag ?? '' };
    },
  });
