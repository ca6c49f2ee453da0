import { fileURLToPath } from 'node:url';
import { Router, static as serveFiles } from 'express';
import { hosts, originFor } from '../hosts.ts';
import { discovery, oembed } from '../providers/oembed.ts';
import { escapeHtml, htmlPage } from '../html.ts';
import { reelById, reels } from './reels.ts';

const assets = fileURLToPath(new URL('../../assets/', import.meta.url));
const files = (): Router =>
  Router()
    .use('/kinorill', serveFiles(`${assets}kinorill`))
    .use('/media', serveFiles(assets, { index: false, extensions: ['webm'], acceptRanges: true }));

/** Kinorill's own site: the list of reels, and a page for each, with its link and its embed code to copy. */
export function kinorillSite(): Router {
  const router = Router();
  router.use(files());
  router.get('/', (_request, response) => {
    const list = reels
      .map(
        (reel) =>
          `<li><a href="/reels/${reel.id}">${escapeHtml(reel.title)}</a> <span>${escapeHtml(reel.by)}</span></li>`,
      )
      .join('\n');
    response.send(
      htmlPage({
        title: 'Kinorill',
        style: '/kinorill/site.css',
        body: `<header><a class="brand" href="/">Kinorill</a></header><main><h1>Reels</h1><ul class="reels">${list}</ul></main>`,
      }),
    );
  });
  router.get('/reels/:id', (request, response, next) => {
    const reel = reelById(request.params.id);
    if (!reel) return next();
    const player = `${originFor(request, hosts.kinorillPlayer)}/reel/${reel.id}`;
    const code = `<iframe width="560" height="315" src="${player}?knobs=1" title="${escapeHtml(reel.title)}" allow="fullscreen" allowfullscreen></iframe>`;
    const body = `<header><a class="brand" href="/">Kinorill</a></header><main>
<iframe class="player" src="${player}" title="${escapeHtml(reel.title)}" allow="fullscreen"></iframe>
<h1>${escapeHtml(reel.title)}</h1><p>${escapeHtml(reel.by)}</p>
<section><h2>Share</h2><p><label>Link <input readonly value="${originFor(request, hosts.kinorillShort)}/${reel.id}"></label></p>
<p><label>Embed <textarea readonly rows="4">${escapeHtml(code)}</textarea></label></p></section></main>`;
    const head = discovery(
      `${originFor(request, hosts.kinorill)}/oembed`,
      `${originFor(request, hosts.kinorill)}/reels/${reel.id}`,
      ['json', 'xml'],
    );
    response.send(htmlPage({ title: `${reel.title} · Kinorill`, style: '/kinorill/site.css', head, body }));
  });
  router.get('/oembed', oembed(['json', 'xml'], answerAbout));
  return router;
}

/* What an editor is told about a link to a reel (oEmbed 1.0). */
const answerAbout: Parameters<typeof oembed>[1] = (link, request) => {
  const id =
    link.hostname === hosts.kinorill
      ? /^\/reels\/(\w+)$/.exec(link.pathname)?.[1]
      : link.hostname === hosts.kinorillShort
        ? link.pathname.slice(1)
        : undefined;
  const reel = id === undefined ? null : reelById(id);
  if (!reel) return null;
  const html = `<iframe width="640" height="360" src="${originFor(request, hosts.kinorillPlayer)}/reel/${reel.id}" title="${escapeHtml(reel.title)}" allow="fullscreen" allowfullscreen></iframe>`;
  return {
    type: 'video',
    title: reel.title,
    author_name: reel.by,
    provider_name: 'Kinorill',
    html,
    width: 640,
    height: 360,
    cache_age: 3600,
  };
};

/** The short links: they lead on to the page of the reel. */
export function kinorillShort(): Router {
  const router = Router();
  router.get('/:id', (request, response, next) =>
    reelById(request.params.id)
      ? response.redirect(302, `${originFor(request, hosts.kinorill)}/reels/${request.params.id}`)
      : next(),
  );
  return router;
}

/**
 * The player that is put into frames; on its usual host it remembers who has seen what, on its quiet
 * one it keeps nothing. Its script reads the parameters: from, until, roll, hush, again with round,
 * knobs, words, tongue, hue.
 */
export function kinorillPlayer(remembers: boolean): Router {
  const router = Router();
  router.use(files());
  router.get('/reel/:id', (request, response, next) => {
    const reel = reelById(request.params.id);
    if (!reel) return next();
    if (remembers) response.cookie('kinorill_seen', reel.id, { sameSite: 'lax' });
    const body = `<video src="/media/sky.webm" preload="auto" playsinline></video>
<button type="button" class="start" aria-label="Play: ${escapeHtml(reel.title)}"><span aria-hidden="true"></span></button>
<p class="title">${escapeHtml(reel.title)}</p>`;
    response.send(
      htmlPage({
        title: reel.title,
        style: '/kinorill/player.css',
        body,
        head: '<script type="module" src="/kinorill/player.js"></script>\n',
      }),
    );
  });
  return router;
}
