import { OrbisError } from '@orbis/contract';
import type { Deps } from '../deps.ts';
import { FetchFailure } from '../fetching/failure.ts';
import type { FetchedPage } from '../fetching/client.ts';
import { declaredAddresses } from '../store/places.ts';

/** Reads a published page as the owner asks for it. @throws OrbisError `page-unreadable` */
export async function readPage(
  address: string,
  { fetching, connection: { db } }: Pick<Deps, 'fetching' | 'connection'>,
): Promise<FetchedPage> {
  try {
    return await fetching.readPage(address, await declaredAddresses(db));
  } catch (error) {
    if (error instanceof FetchFailure)
      throw new OrbisError('page-unreadable', { why: error.message, remedy: error.remedy });
    throw error;
  }
}
