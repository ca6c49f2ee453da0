import type { EditReason } from '../../text/index.ts';
import type { Code } from '../../code.ts';
import type { Change } from '../../options/change.ts';
import type { PastedPage } from '../../options/option.ts';
import { reason } from '../../reason.ts';
import { loaderTag } from '../../visitors/index.ts';
import { behind } from '../beside/markup.ts';

/** What brings the loader of ours to the page, where this code does. */
export function bringLoader(code: Code, { loader }: PastedPage): Change[] {
  if (loader === 'elsewhere') return [];
  const why = reason('loader-once');
  return loader === 'head'
    ? [{ kind: 'share', position: 'page-head', markup: loaderTag, reason: why }]
    : [behind(code, 'shape', loaderTag, why)];
}

/** Whether a code that was composed has the loader with it. */
export const bringsLoader = ({ edits }: { edits: readonly { reasons: readonly EditReason[] }[] }): boolean =>
  edits.some(({ reasons }) => reasons.some(({ code }) => code === 'loader-once'));
