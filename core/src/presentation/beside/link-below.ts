import { addressType } from '../../options/types/address.ts';
import { reason } from '../../reason.ts';
import { adding } from '../adding.ts';
import { carrier } from './carrier.ts';
import { link } from './link.ts';
import { behind } from './markup.ts';

export const option = adding<string>({
  name: 'link-below',
  type: addressType,
  group: 'beside',
  example: 'https://hollinfell.example/visit',
  source: 'HTML, section 4.5.1 (a)',
  bring: (code, address, { options }) => {
    const words = (options['link-below-words'] as string | undefined) ?? new URL(address).host;
    return [
      behind(
        code,
        'carrier',
        `<p style="margin:.5em 0 0">${link(address, words, options)}</p>`,
        reason('link-below', { to: address }),
      ),
      ...carrier(code, options),
    ];
  },
});
