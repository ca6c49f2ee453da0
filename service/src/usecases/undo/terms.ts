import { isDeepStrictEqual } from 'node:util';
import type { Sheet, Terms } from '@orbis/core';
import type { Handle } from '../../database/connect.ts';
import type { ChangeRow } from '../../store/change-log.ts';
import type { Actor } from '../../store/embeds.ts';
import type { ChangeEffect } from '../../store/tables/changes.ts';
import { findTerms, termsIn } from '../../store/terms.ts';
import { setTerms, subjectOf } from '../terms.ts';
import { changedSince } from './changed-since.ts';

/**
 * Makes terms as they were before a change.
 * @throws OrbisError `changed-since`
 */
export async function undoTerms(
  tx: Handle,
  { facts }: ChangeRow,
  { before, after }: Extract<ChangeEffect, { of: 'terms' }>,
  sheets: readonly Sheet[],
  actor: Actor,
): Promise<null> {
  if (facts.kind !== 'terms') throw new Error('these facts are of something else');
  const about = 'embed' in facts ? { embed: facts.embed } : { provider: facts.provider };
  const { of, name } = await subjectOf(tx, about, sheets);
  const row = await findTerms(tx, of);
  const now = row && termsIn(row);
  if (!isDeepStrictEqual(now, after)) throw changedSince([`the terms of ${name}`]);
  if (!(await setTerms(tx, row, of, before as Terms | null, actor)))
    throw changedSince([`the terms of ${name}`]);
  return null;
}
