import { fileURLToPath } from 'node:url';
import { Router, static as serveFiles } from 'express';
import { hosts, originFor } from '../hosts.ts';
import { discovery, oembed } from '../providers/oembed.ts';
import { escapeHtml, htmlPage } from '../html.ts';
import { filmById, films } from './films.ts';

const assets = fileURLToPath(new URL('../../assets/', import.meta.url));
const files = (): Router =>
  Router()
    .use('/kinorill', serveFiles(`${assets}kinorill`))
    .use('/media', serveFiles(assets, { index: false, extensions: ['webm'], acceptRanges: true }));

/** Kinorill's own site: the list of films, and a page for each, with its link and its embed code to copy. */
export function kinorillSite(): Router {
  const router = Router();
  router.use(files());
  router.get('/', (_request, response) => {
    const list = films
      .map(
        (film) =>
          `<li><a href="/films/${film.id}">${escapeHtml(film.title)}</a> <span>${escapeHtml(film.by)}</span></li>`,
      )
      .join('\n');
    response.send(
      htmlPage({
        title: 'Kinorill',
        style: '/kinorill/site.css',
        body: `<header><a class="brand" href="/">Kinorill</a></header><main><h1>Films</h1><ul class="films">${list}</ul></main>`,
      }),
    );
  });
  router.get('/films/:id', (request, response, next) => {
    const film = filmById(request.params.id);
    if (!film) return next();
    const player = `${originFor(request, hosts.kinorillPlayer)}/film/${film.id}`;
    const code = `<iframe width="560" height="315" src="${player}?knobs=1" title="${escapeHtml(film.title)}" allow="fullscreen" allowfullscreen></iframe>`;
    const body = `<header><a class="brand" href="/">Kinorill</a></header><main>
<iframe class="player" src="${player}" title="${escapeHtml(film.title)}" allow="fullscreen"></iframe>
<h1>${escapeHtml(film.title)}</h1><p>${escapeHtml(film.by)}</p>
<section><h2>Share</h2><p><label>Link <input readonly value="${originFor(request, hosts.kinorill)}/k/${film.id}"></label></p>
<p><label>Embed <textarea readonly rows="4">${escapeHtml(code)}</textarea></label></p></section></main>`;
    const head = discovery(
      `${originFor(request, hosts.kinorill)}/oembed`,
      `${originFor(request, hosts.kinorill)}/films/${film.id}`,
      ['json', 'xml'],
    );
    response.send(htmlPage({ title: `${film.title} · Kinorill`, style: '/kinorill/site.css', head, body }));
  });
  // The short links lead on to the page of the film.
  router.get('/k/:id', (request, response, next) =>
    filmById(request.params.id)
      ? response.redirect(302, `${originFor(request, hosts.kinorill)}/films/${request.params.id}`)
      : next(),
  );
  router.get('/oembed', oembed(['json', 'xml'], answerAbout));
  return router;
}

/* What an editor is told about a link to a film (oEmbed 1.0). */
const answerAbout: Parameters<typeof oembed>[1] = (link, request) => {
  const id = link.hostname === hosts.kinorill ? /^\/(?:films|k)\/(\w+)$/.exec(link.pathname)?.[1] : undefined;
  const film = id === undefined ? null : filmById(id);
  if (!film) return null;
  const html = `<iframe width="640" height="360" src="${originFor(request, hosts.kinorillPlayer)}/film/${film.id}" title="${escapeHtml(film.title)}" allow="fullscreen" allowfullscreen></iframe>`;
  return {
    type: 'video',
    title: film.title,
    author_name: film.by,
    provider_name: 'Kinorill',
    html,
    width: 640,
    height: 360,
    thumbnail_url: `${originFor(request, hosts.kinorill)}/kinorill/still.webp`,
    thumbnail_width: 640,
    thumbnail_height: 360,
    cache_age: 3600,
  };
};

/**
 * The player that is put into frames; on its usual host it remembers who has seen what, on its quiet
 * one it keeps nothing. Its script reads the parameters: from, until, roll, hush, again, knobs, words,
 * tongue, hue.
 */
export function kinorillPlayer(remembers: boolean): Router {
  const router = Router();
  router.use(files());
  // Codes that were handed out before say reel.
  router.get('/:what/:id', (request, response, next) => {
    const film = ['film', 'reel'].includes(request.params.what) ? filmById(request.params.id) : null;
    if (!film) return next();
    if (remembers) response.cookie('kinorill_seen', film.id, { sameSite: 'lax' });
    const body = `<video src="/media/sky.webm" preload="auto" playsinline></video>
<button type="button" class="start" aria-label="Play: ${escapeHtml(film.title)}"><span aria-hidden="true"></span></button>
<p class="title">${escapeHtml(film.title)}</p>`;
    response.send(
      htmlPage({
        title: film.title,
        style: '/kinorill/player.css',
        body,
        head: '<script type="module" src="/kinorill/player.js"></script>\n',
      }),
    );
  });
  return router;
}
