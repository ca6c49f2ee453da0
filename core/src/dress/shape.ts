import type { DressOption } from './option.ts';

export const option: DressOption<'shape'> = {
  name: 'shape',
  explain: 'The shape to hold, as width to height, where the code does not say it or says it wrongly.',
  example: '16:9',
  parse: (text) => {
    const found = /^\s*(\d{1,5})\s*[:/x×]\s*(\d{1,5})\s*$/i.exec(text);
    const [width, height] = [Number(found?.[1] ?? 0), Number(found?.[2] ?? 0)];
    return width > 0 && height > 0 ? { ok: true, value: { width, height } } : { ok: false, expected: 'two whole numbers such as 16:9 or 9:16' };
  },
  say: ({ width, height }) => `${width}:${height}`,
  // It is the fit that writes it down; alone it changes nothing.
  declarations: () => [],
  conflicts: [],
  source: 'CSS Box Sizing 4, section 4 (aspect-ratio)',
};
