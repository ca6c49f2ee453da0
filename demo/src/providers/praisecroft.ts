import { scriptHost } from './serve-script.ts';
import type { StandIn } from './stand-in.ts';

const host = 'praisecroft.localhost';

/**
 * Praisecroft: reviews, as high as they are many. Attributes of its element: data-place, data-most,
 * data-stars (a colour), data-page=dark.
 */
export const praisecroft: StandIn = {
  id: 'praisecroft',
  name: 'Praisecroft',
  hosts: { [host]: () => scriptHost('/reviews.js', 'praisecroft.js') },
  offers: (origin) => [
    {
      what: 'What visitors say',
      code: `<div id="pc-wall" class="praisecroft-reviews" data-place="hollinfell"></div>\n<script async src="${origin(host)}/reviews.js"></script>`,
    },
  ],
};
