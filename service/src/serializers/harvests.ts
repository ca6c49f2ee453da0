import type { Kind, Sheet } from '@orbis/core';
import { serializeFinding, type Harvest, type HarvestItem, type HarvestSummary } from '@orbis/contract';
import type { HarvestRow, StoredItem } from '../store/harvests.ts';

/** A harvest whole, with everything that was found. */
export function serializeHarvest(
  row: HarvestRow,
  stored: readonly StoredItem[],
  sheets: readonly Sheet[],
): Harvest {
  return {
    ...serializeHarvestSummary(row, stored),
    items: stored.map((item) => serializeItem(item, sheets)),
    findings: row.findings.map((finding) => serializeFinding({ ...finding, facts: { ...finding.facts } })),
  };
}

/** A harvest as it is listed. */
export function serializeHarvestSummary(
  { publicId, address, title, createdAt }: HarvestRow,
  stored: readonly StoredItem[],
): HarvestSummary {
  const states = stored.map(stateOf);
  return {
    id: publicId,
    address,
    title,
    found: stored.length,
    taken: states.filter((state) => state === 'taken').length,
    known: states.filter((state) => state === 'known').length,
    createdAt: createdAt.toISOString(),
  };
}

function serializeItem(stored: StoredItem, sheets: readonly Sheet[]): HarvestItem {
  const { number, name, text, provider, hosts, level, heading, line, column, kind, isOwn, sharesWith } =
    stored.item;
  return {
    number,
    name,
    text,
    kind: kind as Kind,
    provider,
    providerName: sheets.find(({ id }) => id === provider)?.name ?? provider,
    hosts,
    level,
    heading,
    line,
    column,
    own: isOwn,
    sharesWith,
    embed: embedOf(stored),
    state: stateOf(stored),
  };
}

const embedOf = ({ taken, marked, same }: StoredItem): string | null => taken ?? marked ?? same;

function stateOf(stored: StoredItem): HarvestItem['state'] {
  if (stored.taken !== null) return 'taken';
  return embedOf(stored) === null ? 'offered' : 'known';
}
