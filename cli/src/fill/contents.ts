import { canFill, type FillMark } from '@orbis/core';
import { ApiError, type Client, type PagePlan } from '@orbis/contract';
import { UsedWrongly } from '../command.ts';
import { every, limit } from '../things/every.ts';

/** What belongs between marks, as it would be handed out now. */
export interface Contents {
  of: (mark: FillMark) => string;
  /** Hands out what belongs between these marks, so that its numbers are kept. */
  handOut: (marks: readonly FillMark[]) => Promise<void>;
  /** Pages that need something in a head or foot that is nowhere marked. */
  unmarked: { page: string; kind: 'head' | 'foot' }[];
}

interface PageContents {
  plan: PagePlan;
  /** The place of each placement, by its id. */
  places: Map<string, string>;
}

/** Asks what belongs between these marks. @throws UsedWrongly where there is no such place */
export async function contentsFor(marks: readonly FillMark[], client: Client): Promise<Contents> {
  const pages = new Map<string, PageContents>();
  const heads = new Map<string, string>();
  for (const { kind, key } of marks) {
    const page = kind === 'spot' ? key.slice(0, key.indexOf('#')) : key;
    if (!page.includes('/')) heads.set(page, await asked(page, () => headOf(page, client)));
    else if (!pages.has(page)) pages.set(page, await asked(page, () => pageOf(page, client)));
  }
  const texts = new Map(
    marks.map(({ kind, key }) => {
      const text = contentOf({ kind, key }, pages, heads);
      if (!canFill(text))
        throw new UsedWrongly(
          `What belongs to ${key} has comments of the same kind itself, and cannot stand in a file.`,
        );
      return [`${kind} ${key}`, text];
    }),
  );
  return {
    of: ({ kind, key }) => texts.get(`${kind} ${key}`)!,
    handOut: (changed) => handOut(changed, pages, client),
    unmarked: unmarkedIn(pages, marks),
  };
}

async function asked<T>(what: string, ask: () => Promise<T>): Promise<T> {
  try {
    return await ask();
  } catch (error) {
    if (error instanceof ApiError && error.code === 'not-found')
      throw new UsedWrongly(`A file names ${what}: ${error.message} Nothing was written.`);
    throw error;
  }
}

const headOf = async (site: string, client: Client): Promise<string> =>
  (await client.call('heads.read', { params: { site } })).data.text;

async function pageOf(page: string, client: Client): Promise<PageContents> {
  const { data: plan } = await client.call('plans.read', { params: { page } });
  const placements = await every((after) =>
    client.call('placements.list', { query: { page, limit, after } }),
  );
  return { plan, places: new Map(placements.map(({ id, place }) => [id, place])) };
}

const positionOf = { head: 'page-head', foot: 'body-end' } as const;

function contentOf(
  { kind, key }: Pick<FillMark, 'kind' | 'key'>,
  pages: ReadonlyMap<string, PageContents>,
  heads: ReadonlyMap<string, string>,
): string {
  if (kind !== 'spot') {
    const page = pages.get(key);
    return page ? joined(textsAt(page.plan, positionOf[kind])) : heads.get(key)!;
  }
  const { plan, places } = pages.get(key.slice(0, key.indexOf('#')))!;
  return joined(
    plan.snippets
      .filter(({ position, placements }) => position === 'spot' && places.get(placements[0]!) === key)
      .map(({ text }) => text),
  );
}

const textsAt = ({ snippets }: PagePlan, wanted: string): string[] =>
  snippets.filter(({ position }) => position === wanted).map(({ text }) => text);
const joined = (texts: readonly string[]): string => texts.map((text) => text.trim()).join('\n');

/* What stands in a file is what was handed out: a sweep knows it by its number. */
async function handOut(
  marks: readonly FillMark[],
  pages: ReadonlyMap<string, PageContents>,
  client: Client,
): Promise<void> {
  const placements = new Set<string>();
  for (const { kind, key } of marks) {
    const page = pages.get(kind === 'spot' ? key.slice(0, key.indexOf('#')) : key);
    if (!page) await client.call('headDeliveries.create', { params: { site: key } });
    else
      for (const snippet of page.plan.snippets)
        for (const id of snippet.placements)
          if (kind === 'spot' ? page.places.get(id) === key : snippet.position === positionOf[kind])
            placements.add(id);
  }
  for (const placement of placements) await client.call('deliveries.create', { params: { placement } });
}

function unmarkedIn(
  pages: ReadonlyMap<string, PageContents>,
  marks: readonly FillMark[],
): Contents['unmarked'] {
  return [...pages].flatMap(([page, { plan }]) =>
    (['head', 'foot'] as const)
      .filter(
        (kind) =>
          textsAt(plan, positionOf[kind]).length > 0 &&
          !marks.some((mark) => mark.kind === kind && mark.key === page),
      )
      .map((kind) => ({ page, kind })),
  );
}
