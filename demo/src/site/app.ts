import { Router } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { pageAt, pages } from './content.ts';
import { editor } from './editor.ts';
import { forPrograms } from './for-programs.ts';
import { files } from './files.ts';
import { look } from './look.ts';
import { twelveWinters } from './stories.ts';
import type { SiteStore } from './store.ts';

/** The demo site: its published pages, and the editor behind `/edit`. */
export function hollinfell(store: SiteStore): Router {
  const router = Router();
  router.use('/site', look());
  router.use(forPrograms());
  router.use('/edit', editor(store));
  router.use('/files', files());
  router.get(
    '/stories/twelve-winters',
    (request, response) =>
      void response.set('Cache-Control', 'max-age=60').send(twelveWinters(request.socket.localPort ?? 80)),
  );
  router.get('/{*path}', (request, response, next) => {
    const page = pageAt(request.path.slice(1));
    if (!page) return next();
    const { published, head = '', footer = '' } = store.read();
    const sections = page.sections.map(
      ({ heading, text, spot }) =>
        `<section>\n<h2>${escapeHtml(heading)}</h2>\n<p>${escapeHtml(text)}</p>\n<div class="spot">${published[`${page.path}#${spot}`] ?? ''}</div>\n</section>`,
    );
    const links = pages.map(
      ({ path, title }) =>
        `<a href="/${path}"${path === page.path ? ' aria-current="page"' : ''}>${escapeHtml(path === '' ? 'Home' : title)}</a>`,
    );
    const body = `<header><p class="brand">Hollin Fell<span>Observatory</span></p><nav>${links.join('')}</nav></header>
<main>
<h1>${escapeHtml(page.title)}</h1>
<p class="lead">${escapeHtml(page.lead)}</p>
${sections.join('\n')}
</main>
<footer>${footer === '' ? '' : `<div class="spot">${footer}</div>\n`}Hollin Fell Observatory · the moor road, last gate · <a href="/stories/twelve-winters">twelve winters</a> · <a href="/edit/${page.path}">edit this page</a></footer>`;
    // Readers of the site may keep a page for a while; whoever asks past the cache gets the newest.
    response.set('Cache-Control', 'max-age=60').send(
      htmlPage({
        title: page.path === '' ? page.title : `${page.title} · Hollin Fell Observatory`,
        style: '/site/site.css',
        head,
        body,
      }),
    );
  });
  return router;
}
