import type { CodeRule } from './rule.ts';

export const rule: CodeRule = {
  id: 'shape-mismatch',
  level: 'warning',
  source: 'observed: a player fills what is left with black',
  check: ({ reading, markup, sheet }) => {
    const { ratio, width, height } = reading.size;
    const frame = markup.elements.find((e) => e.name === 'iframe');
    if (!sheet || !frame || ratio === null || width?.unit !== 'px' || height?.unit !== 'px') return [];
    const natural = sheet.shape.width / sheet.shape.height;
    // Upright and square ones are wished for; a shape that is only a little off is a slip.
    const off = Math.abs(ratio / natural - 1);
    return off > 0.03 && off < 0.35
      ? [
          {
            start: frame.start,
            end: frame.startTagEnd,
            facts: { width: width.value, height: height.value, shape: `${sheet.shape.width}:${sheet.shape.height}`, wanted: Math.round(width.value / natural) },
          },
        ]
      : [];
  },
};
