import { Router } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { originFor } from '../hosts.ts';
import { discovery, oembed } from './oembed.ts';
import { colourIn, numberIn, type StandIn } from './stand-in.ts';

const host = 'gladewick.localhost';
const decks: Record<string, { title: string; slides: string[] }> = {
  'how-dark-is-dark': {
    title: 'How dark is dark?',
    slides: ['How dark is dark?', 'Nine steps of darkness', 'Where the moor stands', 'What a lamp does'],
  },
  'red-torches': {
    title: 'Why our torches are red',
    slides: ['Why our torches are red', 'Rods and cones', 'Twenty minutes'],
  },
  'comet-sketches': { title: 'Comet sketches', slides: ['Comet sketches', '12 November', '19 November'] },
  'first-light': { title: 'First light', slides: ['First light', 'The mirror', 'The first night'] },
};

/**
 * Gladewick: slides, a provider of which Orbis has no sheet. Parameters of its frames: from (a slide), hue (a
 * colour), turn (seconds).
 */
function frames(): Router {
  const router = Router();
  router.get('/decks/:id', (request, response, next) => {
    const deck = decks[request.params.id];
    if (!deck) return next();
    const origin = originFor(request, host);
    response.send(
      htmlPage({
        title: `${deck.title} · Gladewick`,
        style: '',
        head: discovery(`${origin}/oembed`, `${origin}/decks/${request.params.id}`, ['json', 'xml']),
        body: `<h1>${escapeHtml(deck.title)}</h1><iframe src="/show/${request.params.id}" width="720" height="405" title="${escapeHtml(deck.title)}"></iframe>`,
      }),
    );
  });
  router.get(
    '/oembed',
    oembed(['json', 'xml'], (link, request) => {
      const id = link.hostname === host ? (/^\/decks\/([a-z-]+)$/.exec(link.pathname)?.[1] ?? '') : '';
      const deck = decks[id];
      if (!deck) return null;
      const html = `<iframe src="${originFor(request, host)}/show/${id}" width="720" height="405" title="${escapeHtml(deck.title)}" loading="lazy"></iframe>`;
      return {
        type: 'rich',
        title: deck.title,
        author_name: 'Hollin Fell Observatory',
        provider_name: 'Gladewick',
        html,
        width: 720,
        height: 405,
      };
    }),
  );
  router.get('/show/:id', (request, response, next) => {
    const deck = decks[request.params.id];
    if (!deck) return next();
    const from = numberIn(request, 'from', 1, 1, deck.slides.length);
    const turn = numberIn(request, 'turn', 0, 0, 60);
    response.send(
      htmlPage({
        title: deck.title,
        style: '',
        head: `<style>body{margin:0;height:100vh;display:grid;place-items:center;font:32px serif;background:#f1ebdc;border-bottom:10px solid ${colourIn(request, 'hue', '#5d3a5f')};box-sizing:border-box;cursor:pointer}</style>\n`,
        body: `<p></p><script>const slides = ${JSON.stringify(deck.slides)}; let now = ${from}; const show = () => { document.querySelector('p').textContent = slides[now - 1]; }; const on = () => { now = now % slides.length + 1; show(); }; document.body.onclick = on; if (${turn}) setInterval(on, ${turn} * 1000); show();</script>`,
      }),
    );
  });
  return router;
}

export const gladewick: StandIn = {
  id: 'gladewick',
  name: 'Gladewick',
  hosts: { [host]: frames },
  offers: (origin) =>
    Object.keys(decks).map((id, i) => ({
      what: i === 0 ? 'Slides, of a provider that Orbis does not know' : decks[id]!.title,
      code:
        i === 0
          ? `${origin(host)}/decks/${id}`
          : `<iframe src="${origin(host)}/show/${id}?from=${i}&amp;hue=${['aa3355', '2f6145', '3c5a70'][i - 1]}" width="720" height="405" title="${escapeHtml(decks[id]!.title)}" loading="lazy"></iframe>`,
    })),
};
