/**
 * What was done, as it is kept: by its kind, whatever its sentence tells. Embeds, sites and the rest are
 * named by their keys as they were then.
 */
export type ChangeFacts =
  /** Put into the collection, one or many at once; `embeds` are the first of them. */
  | { kind: 'collected'; embeds: string[]; count: number }
  /** Options of one embed; `said` as people type them: “end=2:40 without hue”. */
  | { kind: 'options'; embed: string; said: string }
  /** Options of every embed that a search found. */
  | { kind: 'group'; where: string; said: string; count: number }
  | { kind: 'renewed'; embed: string }
  | { kind: 'brought-back'; embed: string; revision: number }
  | { kind: 'details'; embed: string; what: ChangedDetail[] }
  | { kind: 'purged'; embed: string; reason: string }
  | { kind: 'placed'; embed: string; place: string }
  | { kind: 'ended'; embed: string; place: string }
  | { kind: 'placed-options'; embed: string; place: string; said: string }
  | { kind: 'placed-details'; embed: string; place: string; what: ChangedAtPlace[] }
  | { kind: 'moved'; embed: string; from: string; to: string }
  /** Many placements at once; `placements` are the first of them, as “talk in hollinfell/talks#main”. */
  | { kind: 'placements'; make: MadeOfMany; placements: string[]; count: number }
  | { kind: 'page-moved'; from: string; to: string }
  /** Pages of a site, many at once; `pages` are the keys of the first of them. */
  | { kind: 'pages-added'; site: string; pages: string[]; count: number }
  | ThingFacts<'added'>
  | ThingFacts<'changed'>
  | ThingFacts<'removed'>
  /** What has been agreed upon for an embed or with a provider. */
  | { kind: 'terms'; embed: string }
  | { kind: 'terms'; provider: string }
  | { kind: 'sheet-saved'; provider: string }
  | { kind: 'sheet-removed'; provider: string }
  /** A whole register, out of a file of so many lines. */
  | { kind: 'register-taken'; lines: number };

interface ThingFacts<K extends string> {
  kind: K;
  what: ChangedThing;
  key: string;
}

/** What of an embed’s details changed: a word for retiring and for restoring it is among them. */
export type ChangedDetail = 'name' | 'notes' | 'tags' | 'retired' | 'restored';

/** What of a placement changed: a word for pausing it and for letting it go on is among them. */
export type ChangedAtPlace = 'note' | 'paused' | 'resumed';

/** What many placements were made at once. */
export const madeOfMany = ['paused', 'resumed', 'ended'] as const;
export type MadeOfMany = (typeof madeOfMany)[number];

/** What else than embeds can be added, changed and removed. */
export type ChangedThing =
  'site' | 'page' | 'spot' | 'sharedSpot' | 'preset' | 'search' | 'channel' | 'rules';

/** A kind of change. */
export type ChangeKind = ChangeFacts['kind'];

export const changeKinds = [
  'collected',
  'options',
  'group',
  'renewed',
  'brought-back',
  'details',
  'purged',
  'placed',
  'placed-options',
  'placed-details',
  'moved',
  'placements',
  'page-moved',
  'ended',
  'pages-added',
  'added',
  'changed',
  'removed',
  'terms',
  'sheet-saved',
  'sheet-removed',
  'register-taken',
] as const satisfies ChangeKind[];

/**
 * Kinds that are not taken back by themselves: with a sheet, embeds are read differently, and what would come
 * of the earlier one wants to be looked at; of a register that was taken in, all there is has come; what was
 * purged is gone.
 */
export const lastingKinds: readonly ChangeKind[] = [
  'sheet-saved',
  'sheet-removed',
  'register-taken',
  'purged',
];
