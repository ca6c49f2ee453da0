import type { Options } from '@orbis/core';

/** What is looked at: an embed, or one of its places. */
export type Subject = { embed: string } | { placement: string };

/** The same, with the options that are being tried out on it. */
export type TriedSubject = Subject & { options: Options };
