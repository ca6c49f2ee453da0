import { scriptHost } from './serve-script.ts';
import type { StandIn } from './stand-in.ts';

const host = 'cdn.stallmere.localhost';

/**
 * Stallmere: shop items by shop number. Attributes of its element: data-shop, data-product. Options that its
 * script is handed: items, till (a colour), counter (“dark”), word (of the button), badge (a picture).
 */
export const stallmere: StandIn = {
  id: 'stallmere',
  name: 'Stallmere',
  hosts: { [host]: () => scriptHost('/shop.js', 'stallmere.js') },
  offers: (origin) => [
    {
      what: 'The moon map',
      code: `<script>\n  window.stallmere = window.stallmere || [];\n  var s = document.createElement("script");\n  s.src = "${origin(host)}/shop.js";\n  document.head.appendChild(s);\n</script>\n<div id="stall-311" data-shop="311" data-product="moon-map"></div>\n<script>stallmere.push(["show", "#stall-311", { counter: "light" }]);</script>`,
    },
  ],
};
