import { ownersPage, scriptHost } from './serve-script.ts';
import type { StandIn } from './stand-in.ts';

const host = 'js.popplenook.localhost';

/**
 * Popplenook: a pop-up. Attributes of its element: data-campaign, data-after (seconds), data-lang,
 * data-ribbon (a colour), data-on (parts of addresses), data-again (days), data-closed (gone or back).
 */
export const popplenook: StandIn = {
  id: 'popplenook',
  name: 'Popplenook',
  hosts: {
    [host]: () =>
      scriptHost('/popup.js', 'popplenook.js').use(
        ownersPage('/campaigns/:campaign', 'Campaign', 'What it says, and to whom.'),
      ),
  },
  offers: (origin) => [
    {
      what: 'Friends of the Fell',
      code: `<script async src="${origin(host)}/popup.js"></script>\n<div class="popplenook-popup" data-campaign="friends-of-the-fell" data-after="20"></div>`,
    },
  ],
};
