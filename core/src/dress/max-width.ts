import type { DressOption } from './option.ts';

export const option: DressOption<'max-width'> = {
  name: 'max-width',
  explain: 'Never wider than this, in px.',
  example: '800',
  parse: (text) => {
    const found = /^(\d{1,5})(?:\s*px)?$/i.exec(text.trim());
    const value = Number(found?.[1] ?? 0);
    return value > 0 ? { ok: true, value } : { ok: false, expected: 'a whole number of px such as 800' };
  },
  say: (value) => `${value}`,
  declarations: (value) => [{ property: 'max-width', value: `${value}px`, reason: `Never wider than ${value} px` }],
  conflicts: ['min-width'],
  source: 'CSS Box Sizing 3, section 3 (max-width)',
};
