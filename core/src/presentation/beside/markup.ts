import type { InsertChange } from '../../options/change.ts';
import type { Code } from '../../code.ts';
import type { Change } from '../../options/change.ts';
import type { Reason } from '../../reason.ts';

type Layer = NonNullable<InsertChange['within']>;

/** Markup of ours before the code, within a layer of ours. */
export const before = (within: Layer, markup: string, why: Reason): Change => ({
  kind: 'insert',
  at: 0,
  markup,
  within,
  reason: why,
});

/** Markup of ours behind the code, within a layer of ours. */
export const behind = (code: Code, within: Layer, markup: string, why: Reason): Change => ({
  kind: 'insert',
  at: code.text.length,
  markup,
  within,
  reason: why,
});
