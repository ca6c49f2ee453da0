import { ourClip, type Change } from '../../options/change.ts';
import { addressType } from '../../options/types/address.ts';
import type { Code } from '../../code.ts';
import { reason } from '../../reason.ts';
import { escapeAttribute } from '../../text/index.ts';
import { adding } from '../adding.ts';
import { shownAlone } from '../alone.ts';
import { behind } from '../beside/markup.ts';
import { laidStyle } from '../declarations.ts';

export const option = adding<string>({
  name: 'whole-link',
  type: addressType,
  group: 'over',
  example: 'https://hollinfell.example/films',
  source: 'HTML, sections 4.5.1 (a) and 6.3 (inert): what is inert is no stop of the Tab key',
  bring: (code, address, { options }) => {
    const name = (options['whole-link-name'] ?? options['heading'] ?? new URL(address).host) as string;
    const opens = options['whole-link-opens'] === 'new' ? ' target="_blank" rel="noopener"' : '';
    return [
      inert(code),
      behind(
        code,
        'shape',
        `<a href="${escapeAttribute(address)}"${opens} aria-label="${escapeAttribute(name)}" style="${laidStyle}"></a>`,
        reason('link-over-all', { to: address }),
      ),
    ];
  },
});

/* Of several elements an element of ours around them is. */
const inert = (code: Code): Change => ({
  kind: 'attribute',
  element: shownAlone(code) ?? ourClip,
  name: 'inert',
  value: true,
  reason: reason('out-of-reach'),
});
