import type { Definition } from './setting.ts';
import { parseSwitch, saySwitch } from './switch.ts';

export const setting: Definition<'download', 'switch'> = {
  name: 'download',
  type: 'switch',
  label: 'Download',
  kinds: ['video', 'audio', 'document'],
  explain: 'Whether people may take the file away.',
  example: 'off',
  parse: parseSwitch,
  say: saySwitch,
  because: (on) => (on ? 'Offer it for download' : 'Offer no download'),
};
