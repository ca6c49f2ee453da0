import { and, eq, gt, isNotNull, isNull, like, not, or, sql, type SQL } from 'drizzle-orm';
import type { SearchField, SearchTerm } from '@orbis/core';
import { embed, embedHost, embedTag, revision } from './schema.ts';

/** A search as a condition on embeds. Values only ever arrive as parameters. */
export function conditionOf(term: SearchTerm): SQL | undefined {
  if ('all' in term) return and(...term.all.map(conditionOf));
  if ('any' in term) return or(...term.any.map(conditionOf));
  if ('not' in term) {
    const inner = conditionOf(term.not);
    return inner && not(inner);
  }
  if ('word' in term) return wordCondition(term.word);
  return or(...term.values.map((value) => fields[term.field](value)));
}

/** A word in name, notes or tags. */
export const wordCondition = (word: string): SQL | undefined =>
  or(
    like(embed.name, containing(word)),
    like(embed.notes, containing(word)),
    sql`exists (select 1 from ${embedTag} where ${embedTag.embedId} = ${embed.id} and ${embedTag.tag} like ${containing(word)})`,
  );

const containing = (word: string): string => `%${word.replace(/[\\%_]/g, '\\$&')}%`;

const fields: Record<SearchField, (value: string) => SQL | undefined> = {
  kind: (value) => eq(embed.kind, value.toLowerCase()),
  // What has no provider is not of this one either.
  provider: (value) => and(isNotNull(embed.provider), eq(embed.provider, value.toLowerCase())),
  host: (value) =>
    sql`exists (select 1 from ${embedHost} where ${embedHost.embedId} = ${embed.id} and ${embedHost.host} = ${value.toLowerCase()})`,
  tag: (value) =>
    sql`exists (select 1 from ${embedTag} where ${embedTag.embedId} = ${embed.id} and ${embedTag.tag} = ${value})`,
  name: (value) => like(embed.name, containing(value)),
  key: (value) => eq(embed.key, value.toLowerCase()),
  level: (value) => and(isNotNull(embed.level), eq(embed.level, value as 'error' | 'warning' | 'note')),
  option: (value) => {
    const path = `$.${JSON.stringify(value)}`;
    return sql`exists (select 1 from ${revision} where ${revision.embedId} = ${embed.id} and ${revision.number} = ${embed.revision} and json_contains_path(${revision.options}, 'one', ${path}))`;
  },
  placed: (value) => (value === 'yes' ? gt(embed.placements, 0) : eq(embed.placements, 0)),
  retired: (value) => (value === 'yes' ? isNotNull(embed.retiredAt) : isNull(embed.retiredAt)),
};
