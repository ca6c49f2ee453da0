import type { Code } from '../../code.ts';
import type { Change } from '../../options/change.ts';
import type { PastedPage } from '../../options/option.ts';
import { reason } from '../../reason.ts';
import { heightName, listenerTag } from '../../visitors/index.ts';
import { frameOf } from '../target.ts';

/**
 * The member of its messages in which the frame of a code says how high it is, as its provider’s sheet names
 * it; null where none does, and where the frame is one of ours, which says it in a member of its own.
 */
export function toldHeight(code: Code): string | null {
  const frame = frameOf(code);
  if (frame?.name !== 'iframe' || frame.attributes.has(heightName)) return null;
  return code.sheet?.tellsHeight?.member ?? null;
}

/** What makes a frame as high as it says; nothing where it says nothing. */
export function followTold(code: Code, page: PastedPage): Change[] {
  const member = toldHeight(code);
  if (member === null) return [];
  const provider = code.sheet!.name;
  return [
    {
      kind: 'attribute',
      element: frameOf(code)!,
      name: heightName,
      value: member,
      reason: reason('height-told', { provider }),
    },
    ...bringListener(page),
  ];
}

/** What brings the listener of ours to the page, where this code does: before its frames, to hear them. */
export function bringListener({ listener }: Pick<PastedPage, 'listener'>): Change[] {
  if (listener === 'elsewhere') return [];
  const why = reason('listener-once');
  return listener === 'head'
    ? [{ kind: 'share', position: 'page-head', markup: listenerTag, reason: why }]
    : [{ kind: 'insert', at: 0, markup: listenerTag, reason: why }];
}
