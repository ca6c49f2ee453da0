import { Router } from 'express';
import { ownersPage } from './serve-script.ts';
import { asked, type StandIn } from './stand-in.ts';

const host = 'count.tallywren.localhost';
const counts = new Map<string, number>();
const count = (site: string): number => {
  const now = (counts.get(site) ?? 1_200) + 1;
  counts.set(site, now);
  return now;
};

/**
 * Tallywren: a visit counter. A script that writes where it stands, or a picture. Parameters: site,
 * paper=dark, tongue, tells=heads (visitors, not visits), sum=apart (1,201).
 */
function frames(): Router {
  const router = Router();
  router.get('/w.js', (request, response) => {
    const dark = asked(request, 'paper') === 'dark';
    const speech =
      asked(request, 'tongue') === 'de'
        ? { calls: 'Besuche', heads: 'Menschen' }
        : { calls: 'visits', heads: 'visitors' };
    const words = asked(request, 'tells') === 'heads' ? speech.heads : speech.calls;
    const number = count(asked(request, 'site') ?? 'nobody');
    const written = asked(request, 'sum') === 'apart' ? number.toLocaleString('en') : String(number);
    const box = `<span class="tallywren" style="display:inline-block;padding:6px 10px;border-radius:4px;font:14px monospace;background:${dark ? '#232a27' : '#f1ebdc'};color:${dark ? '#fffdf8' : '#232a27'}">${written} ${words}</span>`;
    response
      .type('text/javascript')
      .set('Cache-Control', 'no-store')
      .send(`document.write(${JSON.stringify(box).replaceAll('</', '<\\/')});\n`);
  });
  router.get('/hits.gif', (request, response) => {
    const number = count(asked(request, 'site') ?? 'nobody');
    response
      .type('image/svg+xml')
      .set('Cache-Control', 'no-store')
      .send(
        `<svg xmlns="http://www.w3.org/2000/svg" width="88" height="31"><rect width="88" height="31" fill="#f1ebdc"/><text x="44" y="20" text-anchor="middle" font-family="monospace" font-size="13">${number}</text></svg>`,
      );
  });
  router.use(ownersPage('/of/:site', 'Counter', 'How many came, day by day.'));
  return router;
}

export const tallywren: StandIn = {
  id: 'tallywren',
  name: 'Tallywren',
  hosts: { [host]: frames },
  offers: (origin) => [
    {
      what: 'A counter',
      code: `<script src="${origin(host)}/w.js?site=hollinfell"></script>\n<noscript><img src="${origin(host)}/hits.gif?site=hollinfell" alt="Visits" width="88" height="31"></noscript>`,
    },
  ],
};
