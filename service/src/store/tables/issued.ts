/** What was issued: snippets, each kept once, and the deliveries that are made of them. */
import {
  index,
  int,
  json,
  longtext,
  mysqlTable,
  primaryKey,
  smallint,
  tinyint,
  unique,
} from 'drizzle-orm/mysql-core';
import type {
  Content,
  Framed,
  Options,
  Reading,
  Run,
  ShownReading,
  ShownSheet,
  SnippetPosition,
} from '@orbis/core';
import type { Found } from '@orbis/contract';
import { ascii, foreignKeyId, id } from './columns.ts';
import { revision } from './collection.ts';
import { created } from './people.ts';
import { placement } from './placements.ts';

/**
 * What is pasted at one position, without the mark of any placement: two that are the
 * same in all are one row.
 */
export const snippet = mysqlTable(
  'snippet',
  {
    id: id(),
    /** Of its runs. */
    digest: ascii({ length: 64 }).notNull().unique(),
    /** Of its text alone: what a page carries is known by it. */
    textDigest: ascii({ length: 64 }).notNull(),
    runs: json().$type<Run[]>().notNull(),
  },
  (t) => [index('snippet_text').on(t.textDigest)],
);

/** A numbered set of snippets, as it was handed out for a placement. */
export const delivery = mysqlTable(
  'delivery',
  {
    id: id(),
    placementId: foreignKeyId()
      .notNull()
      .references(() => placement.id),
    number: int().notNull(),
    revisionId: foreignKeyId()
      .notNull()
      .references(() => revision.id),
    /** What was asked of it at this place only, when it was handed out. */
    options: json().$type<Options>().notNull(),
    /** Of the texts of its snippets, each with its position. */
    digest: ascii({ length: 64 }).notNull(),
    /** Whether it was found on the page as it stands, without a mark, and not handed out. */
    asFound: tinyint().notNull().default(0),
    ...created,
  },
  (t) => [unique('delivery_number').on(t.placementId, t.number)],
);

/** The snippets of a delivery, in their order. */
export const deliverySnippet = mysqlTable(
  'delivery_snippet',
  {
    deliveryId: foreignKeyId()
      .notNull()
      .references(() => delivery.id),
    at: smallint({ unsigned: true }).notNull(),
    position: ascii({ length: 20 }).$type<SnippetPosition>().notNull(),
    snippetId: foreignKeyId()
      .notNull()
      .references(() => snippet.id),
  },
  (t) => [primaryKey({ columns: [t.deliveryId, t.at] })],
);

/**
 * What the frame host serves for a placement whose link was handed out; written whenever its page is planned.
 */
export const served = mysqlTable('served', {
  placementId: foreignKeyId()
    .primaryKey()
    .references(() => placement.id),
  /** The code, as it stands in the document. */
  text: longtext().notNull(),
  facts: json().$type<ServedFacts>().notNull(),
});

/** What must be known of a code to serve it, without reading it again. */
export interface ServedFacts {
  reading: ShownReading & Pick<Reading, 'kind' | 'size'>;
  sheet: ShownSheet | null;
  /** What visitors may read as its title; null where nothing tells one. */
  title: string | null;
  /** Where visitors find what it shows; none where it was written down before that was told. */
  content?: Content | null;
  /** The permissions that its frame asks for. */
  permissions: string[];
  thumbnail: Found['thumbnail'];
  /** How wide it is asked to be at most, in px. */
  maxWidth: number | null;
  /** Pictures that it was asked to show; none where it was written down before there were any. */
  pictures?: string[];
  /** The language of its site; English where it was written down before sites had one. */
  language?: string;
  /** How its frame is, where it stands in one of ours; none where it is shown by its link alone. */
  framed?: Pick<Framed, 'title' | 'fills' | 'linksOpenTabs' | 'permissions'> & {
    sandbox: string[];
    /** The hosts that it may contact, where its owner has fixed them. */
    contacts?: readonly string[];
    /** None where it was written down before there were any. */
    content?: Framed['content'];
    style?: string;
  };
}
