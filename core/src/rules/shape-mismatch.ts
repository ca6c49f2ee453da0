import { mendAttribute } from './mends.ts';
import { foundIn, type CodeRule } from './rule.ts';
import { reason } from '../reason.ts';

export const rule: CodeRule = {
  id: 'shape-mismatch',
  level: 'warning',
  source: 'observed: a player fills what is left with black',
  code: ({ reading, markup, sheet }) => {
    const { ratio, width, height } = reading.size;
    if (!sheet?.shape || ratio === null || width?.unit !== 'px' || height?.unit !== 'px') return null;
    const frame = markup.elements.find((e) => e.name === 'iframe');
    const natural = sheet.shape.width / sheet.shape.height;
    // Upright and square ones are made so on purpose; a shape that is only a little off is a slip.
    const off = Math.abs(ratio / natural - 1);
    if (!frame || off <= 0.03 || off >= 0.35) return null;
    const wanted = Math.round(width.value / natural);
    const shape = `${sheet.shape.width}:${sheet.shape.height}`;
    const stated = ['width', 'height'].every((name) => /^\d+$/.test(frame.attributes.value(name) ?? ''));
    const mend = stated
      ? mendAttribute(
          markup,
          frame,
          'height',
          String(wanted),
          reason('height-of-shape', { width: width.value, shape, wanted }),
        )
      : [];
    return foundIn(frame, { width: width.value, height: height.value, shape, wanted }, mend);
  },
};
