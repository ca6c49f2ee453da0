import { Router } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { originFor } from '../hosts.ts';
import { discovery, oembed } from './oembed.ts';
import { asked, type StandIn } from './stand-in.ts';

const host = 'folioferry.localhost';
const pages = [
  'The autumn sky at nine',
  'The Fish and the Ram',
  'The Great Square',
  'What the moon hides',
  'Notes',
];

/**
 * Folioferry: documents, page by page. In the fragment: page, scale (per cent), fit (w, p).
 * Parameter: take=0 (no download).
 */
function frames(): Router {
  const router = Router();
  router.get('/charts/:name', (request, response) => {
    const { name } = request.params;
    const origin = originFor(request, host);
    response.send(
      htmlPage({
        title: name,
        style: '',
        head: discovery(`${origin}/oembed`, `${origin}/charts/${encodeURIComponent(name)}`, ['json']),
        body: `<h1>${escapeHtml(name)}</h1><iframe src="/view/charts/${encodeURIComponent(name)}" width="700" height="900" title="${escapeHtml(name)}"></iframe>`,
      }),
    );
  });
  router.get(
    '/oembed',
    oembed(['json'], (link, request) => {
      const name = link.hostname === host ? /^\/charts\/([\w.-]+)$/.exec(link.pathname)?.[1] : undefined;
      if (name === undefined) return null;
      const html = `<iframe src="${originFor(request, host)}/view/charts/${name}" width="700" height="900" title="${name}"></iframe>`;
      return { type: 'rich', title: name, provider_name: 'Folioferry', html, width: 700, height: 900 };
    }),
  );
  return router.get('/view/{*path}', (request, response) => {
    const name = request.path.split('/').at(-1) ?? '';
    const take = asked(request, 'take') !== '0';
    const sheets = pages
      .map(
        (title, i) =>
          `<section id="p${i + 1}"><h2>${escapeHtml(title)}</h2><svg viewBox="0 0 200 200">${Array.from({ length: 24 }, (_, n) => `<circle cx="${(37 * (n + i + 3)) % 190}" cy="${(53 * (n + 2) + 17 * i) % 190}" r="${1 + (n % 3)}" fill="#e0a84f"/>`).join('')}</svg><p>${i + 1} of ${pages.length}</p></section>`,
      )
      .join('');
    response.send(
      htmlPage({
        title: name,
        style: '',
        head: '<style>body{margin:0;font:16px sans-serif;background:#ddd5c5}section{display:none;background:#fffdf8;margin:16px auto;padding:16px 24px;width:min(560px,86%);text-align:center}section.open{display:block}svg{background:#171b19;width:100%}[data-fit=w] section{width:auto;margin:16px}[data-fit=p] svg{height:60vh}nav{display:flex;gap:12px;justify-content:center;padding:10px}</style>\n',
        body: `<nav><button id="back">Back</button><button id="on">On</button>${take ? '<a href="#" download>Take it along</a>' : ''}</nav>${sheets}
<script>
const asked = new URLSearchParams(location.hash.slice(1));
let page = Math.min(${pages.length}, Math.max(1, Number(asked.get('page')) || 1));
const fit = asked.get('fit');
if (fit) document.body.dataset.fit = fit;
else document.body.style.zoom = (Number(asked.get('scale')) || 100) / 100;
const show = () => document.querySelectorAll('section').forEach((s, i) => s.classList.toggle('open', i + 1 === page));
document.getElementById('back').onclick = () => { page = Math.max(1, page - 1); show(); };
document.getElementById('on').onclick = () => { page = Math.min(${pages.length}, page + 1); show(); };
show();
</script>`,
      }),
    );
  });
}

export const folioferry: StandIn = {
  id: 'folioferry',
  name: 'Folioferry',
  hosts: { [host]: frames },
  offers: (origin) => [
    {
      what: 'Star chart for autumn',
      code: `<iframe src="${origin(host)}/view/charts/autumn.pdf#page=3" width="700" height="900" title="Star chart for autumn"></iframe>`,
    },
    { what: 'A link to the chart for winter', code: `${origin(host)}/charts/winter.pdf` },
  ],
};
