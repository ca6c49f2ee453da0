import { isDeepStrictEqual } from 'node:util';
import { parsePage, parsePlace, parseSharedSpot, type ChangedThing } from '@orbis/contract';
import type { Handle } from '../../database/connect.ts';
import type { ChangeRow } from '../../store/change-log.ts';
import type { Actor } from '../../store/embeds.ts';
import { changePage, findPage, findSite, insertSite } from '../../store/places.ts';
import { changeSpot, findSpot } from '../../store/spots.ts';
import { changeSharedSpot, findSharedSpot, type SharedSpotValues } from '../../store/shared-spots.ts';
import { deletePreset, findPreset, putPreset } from '../../store/presets.ts';
import { readRules, writeRules } from '../../store/rules.ts';
import { deleteSavedSearch, findSavedSearch, putSavedSearch } from '../../store/saved-searches.ts';
import {
  changeChannel,
  deleteChannel,
  findChannel,
  insertChannel,
  type ChannelValues,
} from '../../store/channels.ts';
import { markAll } from '../../store/mark-stale.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import type { Rules } from '../../store/tables/providers.ts';
import { deleteEmptyPage, showBlockAnew, writePage, type PageValues } from '../pages.ts';
import { channelValues } from '../channels.ts';
import { presetValues, type PresetValues } from '../presets.ts';
import { searchValues } from '../saved-searches.ts';
import { deleteEmptySite, writeSite, type SiteValues } from '../sites.ts';
import { sharedValues, takeOutShared, writeSharedSpot } from '../shared-spots.ts';
import { deleteEmptySpot, spotSaid, writeSpot, type SpotSaid } from '../spots.ts';
import { changedSince } from './changed-since.ts';

/** How a thing that has a key is read, and made to be as it was. */
interface Thing<Values extends object> {
  read(tx: Handle, key: string): Promise<Values | null>;
  add(tx: Handle, key: string, values: Values, actor: Actor): Promise<void>;
  /** Only what is named changes; false where somebody was faster. */
  change(tx: Handle, key: string, values: Partial<Values>, actor: Actor): Promise<unknown>;
  remove(tx: Handle, key: string, undo: { change: number; now: Date }): Promise<void>;
}

const sites: Thing<SiteValues> = {
  read: findSite,
  add: (tx, key, values, actor) => insertSite(tx, { key, ...values }, actor),
  change: async (tx, key, values) => writeSite(tx, (await findSite(tx, key))!, values),
  remove: async (tx, key, { change, now }) => deleteEmptySite(tx, (await findSite(tx, key))!, change, now),
};

const pages: Thing<PageValues> = {
  read: async (tx, key) => (await findPage(tx, parsePage(key)))?.page ?? null,
  add: writePage,
  change: async (tx, key, { spots: _spots, ...said }) => {
    const { page } = (await findPage(tx, parsePage(key)))!;
    const isChanged = await changePage(tx, page, said);
    if (page.stands !== null) await showBlockAnew(tx, { ...page, ...said });
    return isChanged;
  },
  remove: async (tx, key, { now }) =>
    deleteEmptyPage(tx, key, (await findPage(tx, parsePage(key)))!.page, now),
};

const spots: Thing<SpotSaid> = {
  read: async (tx, key) => {
    const found = await findSpot(tx, parsePlace(key));
    return found && spotSaid(found.spot);
  },
  add: writeSpot,
  change: async (tx, key, values) => {
    const { spot } = (await findSpot(tx, parsePlace(key)))!;
    return spot.row !== null && changeSpot(tx, spot.row, values);
  },
  remove: async (tx, key, { now }) =>
    deleteEmptySpot(tx, key, (await findSpot(tx, parsePlace(key)))!.spot, now),
};

const sharedSpots: Thing<SharedSpotValues> = {
  read: async (tx, key) => {
    const found = await findSharedSpot(tx, parseSharedSpot(key));
    return found && sharedValues(found.shared);
  },
  add: writeSharedSpot,
  change: async (tx, key, values) =>
    changeSharedSpot(tx, (await findSharedSpot(tx, parseSharedSpot(key)))!.shared, values),
  remove: async (tx, key) => takeOutShared(tx, (await findSharedSpot(tx, parseSharedSpot(key)))!),
};

const presets: Thing<PresetValues> = {
  read: async (tx, key) => {
    const row = await findPreset(tx, key);
    return row && presetValues(row);
  },
  add: async (tx, key, values, actor) => void (await putPreset(tx, null, { key, ...values }, actor)),
  change: async (tx, key, values, actor) => {
    const row = (await findPreset(tx, key))!;
    return putPreset(tx, row, { key, ...presetValues(row), ...values }, actor);
  },
  remove: async (tx, key) => void (await deletePreset(tx, (await findPreset(tx, key))!)),
};

const searches: Thing<{ where: string }> = {
  read: async (tx, key) => {
    const row = await findSavedSearch(tx, key);
    return row && searchValues(row);
  },
  add: async (tx, name, { where }, actor) => void (await putSavedSearch(tx, null, { name, where }, actor)),
  change: async (tx, name, values, actor) => {
    const row = (await findSavedSearch(tx, name))!;
    return putSavedSearch(tx, row, { name, ...searchValues(row), ...values }, actor);
  },
  remove: async (tx, key) => void (await deleteSavedSearch(tx, (await findSavedSearch(tx, key))!)),
};

const channels: Thing<ChannelValues> = {
  read: async (tx, name) => {
    const found = await findChannel(tx, name);
    return found && channelValues(found);
  },
  add: insertChannel,
  change: async (tx, name, values, { now }) =>
    changeChannel(tx, (await findChannel(tx, name))!.channel, values, now),
  remove: async (tx, name) => void (await deleteChannel(tx, (await findChannel(tx, name))!.channel)),
};

const rules: Thing<Rules> = {
  read: async (tx) => (await readRules(tx)).rules,
  add: () => Promise.resolve(),
  change: async (tx, _key, values, { now }) => {
    const stored = await readRules(tx);
    await writeRules(tx, { ...stored.rules, ...values }, stored.version, now);
    await markAll(tx);
  },
  remove: () => Promise.resolve(),
};

const things = {
  site: sites,
  page: pages,
  spot: spots,
  sharedSpot: sharedSpots,
  preset: presets,
  search: searches,
  channel: channels,
  rules,
} as unknown as Record<ChangedThing, Thing<object>>;

/**
 * Makes a site, page, spot, preset or the rules as they were before a change.
 * @throws OrbisError `changed-since`, `in-use`, `not-found` where what it belongs to is no longer there.
 */
export async function undoThing(
  tx: Handle,
  { id, facts }: ChangeRow,
  { of, before, after }: Extract<ChangeEffect, { of: ChangedThing }>,
  actor: Actor,
): Promise<null> {
  const key = 'key' in facts ? facts.key : '';
  const thing = things[of];
  const now = await thing.read(tx, key);
  const stands = after === null ? now === null : now !== null && holds(now, after);
  if (!stands) throw changedSince([key === '' ? 'the rules for all embeds' : `the ${of} ${key}`]);
  if (before === null) await thing.remove(tx, key, { change: id, now: actor.now });
  else if (after === null) await thing.add(tx, key, before, actor);
  else if ((await thing.change(tx, key, before, actor)) === false) throw changedSince([`the ${of} ${key}`]);
  return null;
}

/* Of what a change named, all is as it was left. */
const holds = (now: object, after: object): boolean =>
  Object.entries(after).every(([name, value]) =>
    isDeepStrictEqual(JSON.parse(JSON.stringify(now[name as keyof typeof now])), value),
  );
