import type { Deps } from '../../deps.ts';
import { keyset } from '../../store/pages.ts';
import { listTerms, yearlyCosts } from '../../store/terms.ts';
import {
  dayOf,
  readTerms,
  tellTerms,
  writeTerms,
  type TermsAbout,
  type TermsTools,
} from '../../usecases/terms.ts';
import type { Handlers, Named } from '../reply.ts';

/** Limits, prices, licences and ends of contracts. */
export function termsHandlers({ connection: { db }, renderContext, now }: Deps): Handlers<Named<'terms'>> {
  const tools = (): TermsTools => ({ db, sheets: renderContext().sheets, now: now() });
  const read = (about: TermsAbout) => readTerms(about, tools());
  return {
    'terms.list': async ({ query: { limit, after } }) => {
      const rows = await listTerms(db, limit, after);
      const { next } = keyset(
        rows.map(({ row }) => row),
        limit,
        () => null,
      );
      const items = await tellTerms(rows.slice(0, limit), tools());
      return { data: { items, next } };
    },
    'terms.costs': async () => ({ data: { costs: await yearlyCosts(db, dayOf(now())) } }),
    'terms.ofEmbed': ({ params }) => read(params),
    'terms.ofProvider': ({ params }) => read(params),
    'terms.writeOfEmbed': async ({ params, body, matchState, actor }) => {
      await writeTerms(params, body, matchState, { db, sheets: renderContext().sheets }, actor);
      return read(params);
    },
    'terms.writeOfProvider': async ({ params, body, matchState, actor }) => {
      await writeTerms(params, body, matchState, { db, sheets: renderContext().sheets }, actor);
      return read(params);
    },
  };
}
