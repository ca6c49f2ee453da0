/** What was done, and what taking it back needs. */
import { index, int, json, mysqlTable, primaryKey, varchar } from 'drizzle-orm/mysql-core';
import type { ChangeFacts, MadeOfMany } from '@orbis/contract';
import { ascii, id, foreignKeyId, timestamp } from './columns.ts';
import { embed } from './collection.ts';
import { created, person } from './people.ts';

/** What is said of a placement beside its options. */
export interface PlacementDetails {
  note?: string;
  paused?: boolean;
}

/**
 * What a change did to something other than the code of an embed: how that was before and is afterwards, null
 * where it was not there. Of an embed’s details, and of sites, only what changed.
 */
export type ChangeEffect =
  | { of: 'details'; embedId: number; before: object; after: object }
  | { of: 'placement'; placementId: number; before: object | null; after: object | null }
  | { of: 'placement-details'; placementId: number; before: PlacementDetails; after: PlacementDetails }
  /** Many placements at once; of each since when it was paused before. */
  | {
      of: 'placements';
      make: MadeOfMany;
      before: { placementId: number; pausedAt: string | null }[];
      after: null;
    }
  | { of: 'move'; before: { placementId: number }; after: { placementId: number } }
  | { of: 'page-path'; pageId: number; before: { path: string }; after: { path: string } }
  /** A spot, page or site that went with all that was placed there; the register keeps what it knows. */
  | { of: 'gone'; what: 'spot' | 'page' | 'site'; id: number; before: object; after: null }
  | { of: 'pages'; before: null; after: { site: string; paths: string[] } }
  | { of: 'terms'; before: object | null; after: object | null }
  | {
      of: 'site' | 'page' | 'spot' | 'sharedSpot' | 'preset' | 'search' | 'channel' | 'rules';
      before: object | null;
      after: object | null;
    };

/** Everything that was done, one row for each; the newest can be taken back. */
export const changeLog = mysqlTable(
  'change_log',
  {
    id: id(),
    publicId: ascii({ length: 10 }).notNull().unique(),
    kind: varchar({ length: 20 }).$type<ChangeFacts['kind']>().notNull(),
    facts: json().$type<ChangeFacts>().notNull(),
    effect: json().$type<ChangeEffect>(),
    undoneAt: timestamp(),
    undoneBy: foreignKeyId().references(() => person.id),
    ...created,
  },
  (t) => [
    index('change_standing').on(t.undoneAt, t.id),
    index('change_by').on(t.createdBy, t.id),
    index('change_by_standing').on(t.createdBy, t.undoneAt, t.id),
  ],
);

/** The embeds whose code or details a change is about. */
export const changeItem = mysqlTable(
  'change_item',
  {
    changeId: foreignKeyId()
      .notNull()
      .references(() => changeLog.id),
    embedId: foreignKeyId()
      .notNull()
      .references(() => embed.id),
    /** Numbers of the revisions before and after; 0 where there was none before. */
    from: int().notNull(),
    to: int().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.changeId, t.embedId] }),
    index('change_item_embed').on(t.embedId, t.changeId),
  ],
);
