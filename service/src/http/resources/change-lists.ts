import type { ChangeList } from '@orbis/contract';
import type { Deps } from '../../deps.ts';
import { listChangeLists, listEntries, type ChangeListRow } from '../../store/change-lists.ts';
import { keyset } from '../../store/pages.ts';
import {
  addChangeList,
  changeListById,
  fillAgain,
  readEntry,
  removeChangeList,
  showEntries,
  tickPage,
  untickPage,
} from '../../usecases/change-lists.ts';
import { planTools } from '../../usecases/planning.ts';
import type { Handlers, Named } from '../reply.ts';

/** Lists of pages where something is to be done. */
export function changeListHandlers(deps: Deps): Handlers<Named<'changeLists' | 'changeListPages'>> {
  const { db } = deps.connection;
  const tools = planTools(deps);
  return {
    'changeLists.list': async ({ query }) => ({
      data: keyset(await listChangeLists(db, query.limit, query.after), query.limit, serializeChangeList),
    }),
    'changeLists.create': async ({ body, actor }) => ({
      status: 201,
      data: serializeChangeList(await addChangeList(body, tools, actor)),
    }),
    'changeLists.read': async ({ params }) => ({
      data: serializeChangeList(await changeListById(db, params.list)),
    }),
    'changeLists.fill': async ({ params }) => ({
      data: serializeChangeList(await fillAgain(params.list, tools)),
    }),
    'changeLists.delete': async ({ params }) => {
      await removeChangeList(db, params.list);
      return { data: undefined, status: 204 };
    },
    'changeListPages.list': async ({ params, query }) => {
      const row = await changeListById(db, params.list);
      const { limit, after } = query;
      const rows = await listEntries(db, row, { open: query.open === 'true', limit, after });
      const shown = await showEntries(rows.slice(0, limit), tools);
      return { data: { items: shown, next: keyset(rows, limit, () => null).next } };
    },
    'changeListPages.read': async ({ params }) => ({ data: await readEntry(params, tools) }),
    'changeListPages.tick': async ({ params, body, actor }) => ({
      data: await tickPage({ ...params, ...body }, tools, actor),
    }),
    'changeListPages.untick': async ({ params }) => ({ data: await untickPage(params, tools) }),
  };
}

const serializeChangeList = ({
  publicId,
  name,
  search,
  pages,
  ticked,
  createdAt,
}: ChangeListRow): ChangeList => ({
  ...{ id: publicId, name, where: search, pages, ticked },
  createdAt: createdAt.toISOString(),
});
