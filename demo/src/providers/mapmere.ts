import { Router, type Request, type Response } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { originFor } from '../hosts.ts';
import { discovery, oembed } from './oembed.ts';
import { colourIn, numberIn, asked, type StandIn } from './stand-in.ts';

const host = 'mapmere.localhost';
const words: Record<string, { closer: string; farther: string }> = {
  en: { closer: 'Closer', farther: 'Farther' },
  de: { closer: 'Näher', farther: 'Weiter weg' },
};
/* Places on the moor, by latitude and longitude. */
const places: [name: string, latitude: number, longitude: number][] = [
  ['Hollin Fell Observatory', 54.3712, -2.1048],
  ['Last gate', 54.3651, -2.0931],
  ['Moor road', 54.3589, -2.0812],
  ['Tarn', 54.3804, -2.1215],
  ['Sheepfold', 54.3921, -2.0733],
];

/* Maps that people have links to: where each begins. */
const maps: Record<string, { title: string; latitude: number; longitude: number; zoom: number }> = {
  'map': { title: 'Around Hollin Fell', latitude: 54.3712, longitude: -2.1048, zoom: 12 },
  'moor-road': { title: 'The moor road to the observatory', latitude: 54.3651, longitude: -2.0931, zoom: 13 },
  'tarn': { title: 'The tarn, where the festival is', latitude: 54.3804, longitude: -2.1215, zoom: 15 },
};

/**
 * Mapmere: a map in a frame, with a page and an oEmbed answer (in XML only) for each. Parameters: lat, lng,
 * zoom (0 to 20), layer (paper, relief), tongue, pin (a colour).
 */
function frames(): Router {
  const router = Router();
  router.get('/maps/:id', (request, response, next) => {
    const map = maps[request.params.id];
    if (!map) return next();
    const origin = originFor(request, host);
    const link = `${origin}/maps/${request.params.id}`;
    response.send(
      htmlPage({
        title: map.title,
        style: '',
        head: discovery(`${origin}/oembed`, link, ['xml']),
        body: `<h1>${escapeHtml(map.title)}</h1><iframe src="/embed/${escapeHtml(request.params.id)}" width="640" height="480" title="${escapeHtml(map.title)}"></iframe>`,
      }),
    );
  });
  router.get(
    '/oembed',
    oembed(['xml'], (link, request) => {
      const id = /^\/maps\/([a-z-]+)$/.exec(link.pathname)?.[1] ?? '';
      const map = link.hostname === host ? maps[id] : undefined;
      if (!map) return null;
      const html = `<iframe width="640" height="480" src="${originFor(request, host)}/embed/${id}" title="${escapeHtml(map.title)}" loading="lazy"></iframe>`;
      return { type: 'rich', title: map.title, provider_name: 'Mapmere', html, width: 640, height: 480 };
    }),
  );
  return router.get('/embed/:id', showMap);
}

function showMap(request: Request<{ id: string }>, response: Response): void {
  const map = maps[request.params.id] ?? maps['map']!;
  const latitude = numberIn(request, 'lat', map.latitude, -85, 85);
  const longitude = numberIn(request, 'lng', map.longitude, -180, 180);
  const zoom = numberIn(request, 'zoom', map.zoom, 0, 20);
  const relief = asked(request, 'layer') === 'relief';
  const said = words[asked(request, 'tongue') ?? 'en'] ?? words['en']!;
  const pin = colourIn(request, 'pin', '#9c2f24');
  // Web Mercator would be more; here a degree is as wide as it is high at the moor's latitude.
  const scale = (256 * 2 ** zoom) / 360;
  const x = (value: number): number => 320 + (value - longitude) * scale;
  const y = (value: number): number => 240 - (value - latitude) * scale * 1.7;
  const marks = places
    .map(([name, lat, lng]) => ({ name, x: x(lng), y: y(lat) }))
    .filter((place) => place.x > -50 && place.x < 690 && place.y > -50 && place.y < 530)
    .map(
      (place) =>
        `<g class="place"><circle cx="${place.x.toFixed(1)}" cy="${place.y.toFixed(1)}" r="7" fill="${pin}"/><text x="${(place.x + 12).toFixed(1)}" y="${(place.y + 5).toFixed(1)}">${escapeHtml(place.name)}</text></g>`,
    )
    .join('');
  const road = places.map(([, lat, lng]) => `${x(lng).toFixed(1)},${y(lat).toFixed(1)}`).join(' ');
  const turn = (by: number): string =>
    `?${new URLSearchParams({ ...(request.query as Record<string, string>), zoom: String(zoom + by) }).toString()}`;
  const ground = relief ? ['#8f9b7c', '#6f7d60'] : ['#f1ebdc', '#ddd3bd'];
  response.send(
    htmlPage({
      title: 'Mapmere',
      style: '',
      head: '<style>html,body{margin:0;height:100%;overflow:hidden;font:14px sans-serif}svg{width:100%;height:100%;display:block}nav{position:absolute;right:8px;top:8px;display:grid;gap:4px}nav a{background:#fff;color:#232a27;padding:6px 10px;border-radius:4px;text-decoration:none}</style>\n',
      body: `<svg viewBox="0 0 640 480" preserveAspectRatio="xMidYMid slice" role="img" aria-label="Map around ${latitude}, ${longitude}" data-latitude="${latitude}" data-longitude="${longitude}" data-zoom="${zoom}" data-layer="${relief ? 'relief' : 'paper'}">
<rect width="640" height="480" fill="${ground[0]}"/><g stroke="${ground[1]}" stroke-width="2">${Array.from({ length: 13 }, (_, i) => `<path d="M${((((i * 50 - longitude * scale) % 690) + 690) % 690) - 25} 0V480M0 ${((((i * 50 + latitude * scale) % 690) + 690) % 690) - 25}H640"/>`).join('')}</g>
<polyline points="${road}" fill="none" stroke="#b98a4a" stroke-width="5"/>${marks}</svg><nav><a href="${escapeHtml(turn(1))}">${said.closer}</a><a href="${escapeHtml(turn(-1))}">${said.farther}</a></nav>`,
    }),
  );
}

export const mapmere: StandIn = {
  id: 'mapmere',
  name: 'Mapmere',
  hosts: { [host]: frames },
  offers: (origin) => [
    {
      what: 'The moor road',
      code: `<iframe width="640" height="480" src="${origin(host)}/embed/map?lat=54.3712&amp;lng=-2.1048&amp;zoom=13" title="Map: the moor road to the observatory" loading="lazy"></iframe>`,
    },
    { what: 'A link to the tarn', code: `${origin(host)}/maps/tarn` },
  ],
};
