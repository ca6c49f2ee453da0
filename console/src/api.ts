import { QueryCache, QueryClient, useInfiniteQuery } from '@tanstack/react-query';
import type { AnswerOf, QueryInput, RouteName, Routes } from '@orbis/contract';
import { ApiError, createClient } from '@orbis/contract/client';

/* When the first request since the last sentence began that may change something, by this window’s clock. */
let begun: number | null = null;

const noted: typeof fetch = (address, init) => {
  if (init?.method !== 'GET') begun ??= performance.now();
  return fetch(address, init);
};

/** How long ago something began to be changed here, in milliseconds; null where nothing was. It ends that. */
export function takeBegun(): number | null {
  const ago = begun === null ? null : performance.now() - begun;
  begun = null;
  return ago;
}

/** The client of the service that serves this page; the session's cookie goes with it by itself. */
export const api = createClient({ url: '', fetch: noted });

/** Server state. Whoever is no longer signed in is sent to sign in, and back afterwards. */
export const queryClient = new QueryClient({
  queryCache: new QueryCache({ onError: sendToSignIn }),
  defaultOptions: {
    queries: {
      retry: (count, error) => !(error instanceof ApiError && error.problem.status > 0) && count < 2,
      staleTime: 5_000,
    },
  },
});

/** Leaves for the sign-in page where the error says that nobody is signed in. */
export function sendToSignIn(error: unknown): void {
  if (!(error instanceof ApiError) || error.problem.status !== 401 || location.pathname === '/sign-in')
    return;
  location.assign(`/sign-in?back=${encodeURIComponent(location.pathname + location.search)}`);
}

type ListName = {
  [N in RouteName]: AnswerOf<Routes[N]> extends { items: unknown[]; next: string | null } ? N : never;
}[RouteName];
type ItemOf<N extends ListName> = AnswerOf<Routes[N]> extends { items: (infer T)[] } ? T : never;

/**
 * A list of the interface, page by page. `again` says after how many milliseconds it is
 * asked for once more by itself; what is not `isAsked` for stays empty.
 */
export function useList<N extends ListName>(
  name: N,
  query: QueryInput<Routes[N]>,
  params: Record<string, string> = {},
  again?: (last: AnswerOf<Routes[N]>) => number | false,
  isAsked = true,
) {
  const list = useInfiniteQuery({
    queryKey: [name.split('.')[0], name, params, query],
    enabled: isAsked,
    initialPageParam: undefined as string | undefined,
    queryFn: async ({ pageParam }) => {
      const { data } = await api.call(name, {
        params,
        query: { limit: 100, ...(query as object), after: pageParam } as never,
      });
      return data as unknown as AnswerOf<Routes[N]> & { items: ItemOf<N>[]; next: string | null };
    },
    getNextPageParam: (last) => last.next ?? undefined,
    ...(again && {
      refetchInterval: ({ state }: { state: { data?: { pages: AnswerOf<Routes[N]>[] } | undefined } }) =>
        state.data ? again(state.data.pages.at(-1)!) : false,
    }),
  });
  return {
    ...list,
    items: list.data?.pages.flatMap((page) => page.items) ?? [],
    last: list.data?.pages.at(-1),
  };
}

/** What can change, and which questions (by the first word of their key) its change shows in. */
const shownIn = {
  embeds: [
    'embeds',
    'revisions',
    'placements',
    'plans',
    'changes',
    'harvests',
    'providers',
    'sites',
    'history',
  ],
  placements: [
    'placements',
    'findings',
    'plans',
    'embeds',
    'sites',
    'pages',
    'changes',
    'changeLists',
    'changeListPages',
    'history',
  ],
  lists: ['changeLists', 'changeListPages'],
  sites: ['sites', 'findings', 'pages', 'sharedSpots', 'placements', 'plans', 'embeds', 'changes', 'history'],
  sweeps: ['sweeps', 'placements', 'plans', 'changeListPages', 'findings', 'history'],
  inspections: ['inspections', 'looks', 'sweeps', 'placements', 'plans', 'findings', 'history'],
  // The start screen tells of the first of them.
  findings: ['findings', 'placements'],
  // The start screen tells of what did not get through.
  news: ['channels', 'messages', 'news', 'placements', 'changes'],
  // The start screen tells of what is wrong.
  loaded: ['hosts', 'resources', 'findings', 'placements'],
  looks: ['looks', 'findings', 'placements'],
  harvests: ['harvests'],
  // What a code is to be enclosed with is said by its sheet too.
  providers: [
    'providers',
    'embeds',
    'revisions',
    'placements',
    'plans',
    'links',
    'reading',
    'preview',
    'changes',
  ],
  endpoints: ['endpoints', 'links'],
  rules: ['rules', 'placements', 'plans', 'changes'],
  presets: ['presets', 'changes'],
  savedSearches: ['savedSearches', 'changes'],
  // The start screen tells of them.
  terms: ['terms', 'placements', 'changes'],
  plans: ['plans', 'planLinks'],
  account: ['session', 'sessions', 'tokens'],
  people: ['people', 'session'],
  copies: ['copies', 'placements'],
} satisfies Record<string, readonly string[]>;

/** A kind of thing that can change. */
export type Changed = keyof typeof shownIn;

/**
 * After something was changed: whatever it shows in is asked for again, now or when it is next looked at, and
 * nothing else. A preview goes by the code that it shows, so it stays as long as that code is the same.
 */
export async function refresh(...changed: Changed[]): Promise<void> {
  const stale = new Set<unknown>(changed.flatMap((what): readonly string[] => shownIn[what]));
  await queryClient.invalidateQueries({ predicate: ({ queryKey }) => stale.has(queryKey[0]) });
}

/**
 * Of a question whose answer somebody may be changing in a form: it is not asked again because of what others
 * do, so that nothing typed is lost. Whoever saves over another one’s change is told by name.
 */
export const heldForForm = { held: true };

/** After others did something, here or there: all is asked for again but what is held for a form. */
export const refreshOthers = (): Promise<void> =>
  queryClient.invalidateQueries({ predicate: ({ meta }) => meta?.['held'] !== true });

/** After something was taken back: it may have been anything. */
export const refreshAll = (): Promise<void> => queryClient.invalidateQueries();
