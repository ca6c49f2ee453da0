import { and, eq, lt, notInArray } from 'drizzle-orm';
import type { Handle } from '../database/connect.ts';
import type { PageRow } from './places.ts';
import { person, stepTick } from './schema.ts';

const day = 86_400_000;

/** Who says that a step is done, and when. */
export interface StepTick {
  step: string;
  at: Date;
  by: string;
}

/** Who ticks: somebody who is signed in, or whoever has a link. */
export type Ticker = { personId: number } | { linkName: string };

/** The ticks of a page’s steps; also of steps that are in its plan no more. */
export async function ticksOn(db: Handle, { id }: Pick<PageRow, 'id'>): Promise<StepTick[]> {
  const rows = await db
    .select({ step: stepTick.step, at: stepTick.tickedAt, link: stepTick.linkName, person: person.name })
    .from(stepTick)
    .leftJoin(person, eq(person.id, stepTick.personId))
    .where(eq(stepTick.pageId, id));
  return rows.map(({ link, person: name, ...rest }) => ({ ...rest, by: link ?? name ?? '' }));
}

/**
 * Ticks a step; false where it is ticked. Old ticks of what is not among the `current` steps go: not those of
 * today, as somebody else may have a newer plan before them. Call it in a transaction.
 */
export async function insertTick(
  tx: Handle,
  { id: pageId }: Pick<PageRow, 'id'>,
  { step, current }: { step: string; current: readonly string[] },
  ticker: Ticker,
  now: Date,
): Promise<boolean> {
  const [result] = await tx
    .insert(stepTick)
    .ignore()
    .values({ pageId, step, tickedAt: now, ...ticker });
  await tx
    .delete(stepTick)
    .where(
      and(
        eq(stepTick.pageId, pageId),
        notInArray(stepTick.step, [...current]),
        lt(stepTick.tickedAt, new Date(now.getTime() - day)),
      ),
    );
  return result.affectedRows === 1;
}

/** Takes the tick of a step back. */
export const deleteTick = async (db: Handle, { id }: Pick<PageRow, 'id'>, step: string): Promise<void> =>
  void (await db.delete(stepTick).where(and(eq(stepTick.pageId, id), eq(stepTick.step, step))));
