import type { Align, DressOption } from './option.ts';

const margins: Record<Align, string> = { left: '0 auto 0 0', centre: '0 auto', right: '0 0 0 auto' };
const said: Record<Align, string> = { left: 'On the left of its place', centre: 'In the middle of its place', right: 'On the right of its place' };

export const option: DressOption<'align'> = {
  name: 'align',
  explain: 'Where it stands when its place is wider than it: left, centre or right.',
  example: 'centre',
  parse: (text) => {
    const word = text.trim().toLowerCase();
    return word in margins ? { ok: true, value: word as Align } : { ok: false, expected: 'left, centre or right' };
  },
  say: (value) => value,
  declarations: (value) => [
    { property: 'display', value: 'block', reason: 'Only a block can be moved to the middle or the side' },
    { property: 'margin', value: margins[value], reason: said[value] },
  ],
  conflicts: ['float', 'margin-top', 'margin-right', 'margin-bottom', 'margin-left', 'margin-inline', 'margin-block'],
  source: 'CSS 2.2, section 10.3.4 (block-level replaced elements); observed: without display:block margin:auto does not centre',
};
