/** Every table. */
import { sql } from 'drizzle-orm';

export * from './tables/people.ts';
export * from './tables/security.ts';
export * from './tables/collection.ts';
export * from './tables/providers.ts';
export * from './tables/places.ts';
export * from './tables/placements.ts';
export * from './tables/placement-days.ts';
export * from './tables/issued.ts';
export * from './tables/site-heads.ts';
export * from './tables/sweeps.ts';
export * from './tables/looks.ts';
export * from './tables/inspections.ts';
export * from './tables/resources.ts';
export * from './tables/findings.ts';
export * from './tables/news.ts';
export * from './tables/terms.ts';
export * from './tables/harvests.ts';
export * from './tables/previews.ts';
export * from './tables/blocked-contacts.ts';
export * from './tables/hits.ts';
export * from './tables/changes.ts';
export * from './tables/history.ts';
export * from './tables/change-lists.ts';
export * from './tables/plans.ts';
export * from './tables/site-marking.ts';
export * from './tables/presets.ts';
export * from './tables/saved-searches.ts';
export * from './tables/site-people.ts';
export * from './tables/audit.ts';
export * from './tables/copies.ts';
export * from './tables/installation.ts';

/** The time as the database's clock has it: what leases are measured by. */
export const databaseNow = sql`UTC_TIMESTAMP(3)`;
