import { isDeepStrictEqual } from 'node:util';
import type { OembedRoom, Options } from '@orbis/core';
import { OrbisError, refuseProblems } from '@orbis/contract';
import type { Database, Handle } from '../database/connect.ts';
import { inTransaction } from '../database/transaction.ts';
import { recordChange, recordCollected } from '../store/change-log.ts';
import {
  changeEmbed,
  embedById,
  findEmbed,
  insertEmbed,
  setTags,
  tagsOf,
  type Actor,
  type EmbedRow,
} from '../store/embeds.ts';
import { markEmbeds } from '../store/mark-stale.ts';
import { compositionOf, newRevision, openSource } from './codes.ts';
import { ingest, nameFor, sourceOfCode, type IngestTools } from './collect.ts';
import { detailsOf, type Details } from './details.ts';
import { embedByKey, embedTag, usableEmbed } from './embeds.ts';
import { linkResolver, type ResolverTools } from './link-resolver.ts';
import type { MatchState } from './match-state.ts';
import type { RenderContext } from './render-context.ts';

/** A code or a link as it is collected. */
export interface ToCollect {
  text: string;
  /** Without one, what the code or its provider calls it. */
  name?: string | undefined;
  /** Without one, made of the name. */
  key?: string | undefined;
  notes: string;
  tags: readonly string[];
  options: Options;
  mend: boolean | readonly string[];
  /** Whether the provider may be asked about a link. */
  ask: boolean;
}

/**
 * Takes a code or a link into the collection.
 * @returns its key.
 * @throws OrbisError of the code, of asking about a link, or of the options that it cannot have.
 */
export async function collect(
  { text, name, key, notes, tags, options: wanted, mend, ask }: ToCollect,
  tools: IngestTools & ResolverTools,
  actor: Actor,
): Promise<string> {
  const { db } = tools.connection;
  const follow = linkResolver(tools, actor.now, roomIn(wanted));
  const taken = await ingest(db, text, tools, { mend, ...(ask ? { follow } : {}) });
  const options: Options = { ...taken.asked, ...wanted };
  const source = { base: taken.code.text, found: taken.found, asked: { embed: options } };
  refuseProblems((await compositionOf(source, tools.renderContext())).composition.problems);
  const values = {
    name: name ?? nameFor(taken),
    key,
    notes,
    tags,
    ...sourceOfCode(taken),
    revision: newRevision(taken.code.sheet, options, 'collected'),
  };
  if (key !== undefined && (await findEmbed(db, key)))
    throw new OrbisError('key-taken', { what: 'embed', key });
  return inTransaction(db, (tx) => insertCollected(tx, values, actor), { duplicates: true });
}

async function insertCollected(
  tx: Handle,
  values: Parameters<typeof insertEmbed>[1],
  actor: Actor,
): Promise<string> {
  const made = await insertEmbed(tx, values, actor);
  await recordCollected(tx, [made], actor);
  return made.key;
}

/** What can change of an embed without another code coming of it. */
export interface DetailsChange {
  name?: string | undefined;
  notes?: string | undefined;
  tags?: readonly string[] | undefined;
  retired?: boolean | undefined;
}

/** Renames, tags, notes, retires an embed, or brings it back. */
export const changeDetails = (
  db: Database,
  key: string,
  { tags, retired, ...values }: DetailsChange,
  matchState: MatchState,
  actor: Actor,
): Promise<void> =>
  inTransaction(db, async (tx) => {
    const { now } = actor;
    const { embed } = await embedByKey(tx, key);
    matchState(embedTag(embed), 'embed');
    const asked = { ...values, tags, retired };
    const named = (Object.keys(asked) as (keyof typeof asked)[]).filter((name) => asked[name] !== undefined);
    const before = await detailsOf(tx, embed, named);
    const retiredAt = retired === undefined ? {} : { retiredAt: retired ? (embed.retiredAt ?? now) : null };
    if (!(await changeEmbed(tx, embed, { ...values, ...retiredAt }, now)))
      throw new OrbisError('if-match-stale', { what: 'embed' });
    if (tags) await setTags(tx, embed.id, tags);
    // What is retired is wanted nowhere, and brings nothing for its neighbours on a page.
    if (retired !== undefined) await markEmbeds(tx, [embed.id]);
    await recordDetails(tx, embed, before, actor);
  });

/* What really changed is kept: a form hands in all that it shows. */
async function recordDetails(tx: Handle, { id, key }: EmbedRow, was: Details, actor: Actor): Promise<void> {
  const embed = await embedById(tx, id);
  const is = await detailsOf(tx, embed, Object.keys(was) as (keyof Details)[]);
  const names = (Object.keys(was) as (keyof Details)[]).filter(
    (name) => !isDeepStrictEqual(was[name], is[name]),
  );
  if (names.length === 0) return;
  const pick = (details: Details): Details => Object.fromEntries(names.map((name) => [name, details[name]]));
  const what = names.map((name) => (name !== 'retired' || is.retired ? name : 'restored'));
  await recordChange(
    tx,
    {
      facts: { kind: 'details', embed: key, what },
      effect: { of: 'details', embedId: id, before: pick(was), after: pick(is) },
      embeds: [{ embedId: id, from: embed.revision, to: embed.revision }],
    },
    actor,
  );
}

/** Copies an embed as it is now, under another name. @returns the copy’s key. */
export async function duplicate(
  db: Database,
  key: string,
  name: string,
  renderContext: RenderContext,
  actor: Actor,
): Promise<string> {
  const { embed, source, revision } = await usableEmbed(db, key);
  const code = await openSource(source, renderContext);
  const values = {
    name,
    notes: embed.notes,
    tags: (await tagsOf(db, [embed.id])).get(embed.id) ?? [],
    ...sourceOfCode({ pasted: source.pasted, found: source.found, code }),
    revision: newRevision(code.sheet, revision.options, `copy of ${embed.key}`),
  };
  return inTransaction(db, (tx) => insertCollected(tx, values, actor), { duplicates: true });
}

/* How large the options let it be: its provider is asked for no more. */
function roomIn(options: Options): OembedRoom {
  const number = (...names: string[]): number | undefined =>
    names.map((name) => options[name]).find((value) => typeof value === 'number');
  const [maxWidth, maxHeight] = [number('max-width', 'width'), number('height')];
  return { ...(maxWidth !== undefined && { maxWidth }), ...(maxHeight !== undefined && { maxHeight }) };
}
