import { useQuery } from '@tanstack/react-query';
import type { RouteName, Session } from '@orbis/contract';
import { mayCall } from '@orbis/contract/may-call';
import { api } from './api.ts';

/** Who is signed in, and what they may do. */
export const useSession = () =>
  useQuery({
    queryKey: ['session'],
    queryFn: async (): Promise<Session> => (await api.call('session.read')).data,
    staleTime: 60_000,
  });

/** Whether whoever is signed in may call an operation. */
export type May = (name: RouteName, site?: string) => boolean;

/**
 * What whoever is signed in may do: on a site where one is named, else anywhere. Until that is known, nothing
 * is kept from them; the service decides in any case.
 */
export function useMay(): May {
  const person = useSession().data?.person;
  return (name, site) => !person || mayCall(person, name, site);
}

/** Whether whoever is signed in has to set up a second factor before all else. */
export const useMustSetUp = (): boolean => useSession().data?.person?.mustSetUp ?? false;
