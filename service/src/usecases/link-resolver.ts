import type { OembedRoom } from '@orbis/core';
import type { Deps } from '../deps.ts';
import { endpointsOf } from '../store/endpoints.ts';
import { declaredAddresses } from '../store/places.ts';
import { resolveLink, type FoundLink } from './resolve-link.ts';

/** What following a link takes. */
export type ResolverTools = Pick<Deps, 'connection' | 'renderContext' | 'answers' | 'fetching' | 'reader'>;

/** What follows links, with all that is known of who answers about them. */
export const linkResolver =
  (
    { connection: { db }, renderContext, answers, fetching, reader }: ResolverTools,
    now: Date,
    room?: OembedRoom,
  ) =>
  async (link: string): Promise<FoundLink> => {
    const [listed = null] = await endpointsOf(db, link);
    return resolveLink(link, {
      renderContext: renderContext(),
      listed,
      answers,
      ...(room && { room }),
      fetching,
      reader,
      declared: await declaredAddresses(db),
      now,
    });
  };
