import type { Look } from '@orbis/contract';
import type { LookWidth } from '@orbis/contract/look-widths';
import { outcomeOf } from '@orbis/contract/events';
import { api } from '../api.ts';

/** Looks at a page with a browser. @param onWidth told in which window it is looked at now. */
export const takeLook = async (
  page: string,
  sendForms: boolean,
  { signal, onWidth }: { signal: AbortSignal; onWidth: (width: LookWidth) => void },
): Promise<Look> =>
  outcomeOf<Look, { width: LookWidth }>(
    await api.open('looks.take', { params: { page }, body: { sendForms }, signal }),
    ({ width }) => onWidth(width),
    'Orbis broke off before it had seen all; nothing was kept.',
  );
