import type { DressOption } from './option.ts';

export const option: DressOption<'fit'> = {
  name: 'fit',
  explain: 'Makes it as wide as its place lets it, always in its own shape.',
  example: 'shape',
  parse: (text) => (text.trim().toLowerCase() === 'shape' ? { ok: true, value: 'shape' } : { ok: false, expected: 'shape' }),
  say: (value) => value,
  declarations: (_, { dress, shape }) => [
    { property: 'display', value: 'block', reason: 'No gap below it' },
    ...(dress.share === undefined ? [{ property: 'width', value: '100%', reason: 'As wide as its place' }] : []),
    { property: 'height', value: 'auto', reason: 'The height follows the width' },
    ...(shape ? [{ property: 'aspect-ratio', value: `${shape.width}/${shape.height}`, reason: `The shape ${shape.width}:${shape.height} at every width` }] : []),
    { property: 'border', value: '0', reason: 'No frame line around it' },
    { property: 'align-self', value: 'flex-start', reason: 'Not stretched by taller neighbours' },
  ],
  conflicts: ['min-width', 'min-height', 'max-height', 'float', 'border-width', 'border-style'],
  source: 'observed: these hold the shape in block, flex, grid and fixed-table parents; without height:auto a height attribute wins over aspect-ratio',
};
