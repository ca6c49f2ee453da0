import type { DressOption } from './option.ts';

export const option: DressOption<'share'> = {
  name: 'share',
  explain: 'This share of the width of its place, in per cent.',
  example: '80%',
  parse: (text) => {
    const found = /^(\d{1,3}(?:\.\d{1,2})?)(?:\s*%)?$/.exec(text.trim());
    const value = Number(found?.[1] ?? 0);
    return value >= 1 && value <= 100 ? { ok: true, value } : { ok: false, expected: 'a share between 1 % and 100 %' };
  },
  say: (value) => `${value}%`,
  declarations: (value) => [{ property: 'width', value: `${value}%`, reason: `${value} % of the width of its place` }],
  conflicts: ['min-width'],
  source: 'CSS Box Sizing 3, section 3 (width)',
};
