import { scriptHost } from './serve-script.ts';
import type { StandIn } from './stand-in.ts';

const host = 'cdn.slotsedge.localhost';

/**
 * Slotsedge: a booking calendar. Attributes of its element: data-calendar, data-speech (a language),
 * data-look (JSON: shade, a colour; nights, how many; room.hour, “night”).
 */
export const slotsedge: StandIn = {
  id: 'slotsedge',
  name: 'Slotsedge',
  hosts: { [host]: () => scriptHost('/booking.js', 'slotsedge.js') },
  offers: (origin) => [
    {
      what: 'Nights at the telescope',
      code: `<div class="slotsedge-calendar" data-calendar="hollinfell-nights"></div>\n<script async src="${origin(host)}/booking.js"></script>`,
    },
  ],
};
