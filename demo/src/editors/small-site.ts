import { json, Router, urlencoded } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { look } from '../site/look.ts';
import { spotOfAll, type SmallSite } from './small-sites.ts';
import type { PublishedPages } from './published-pages.ts';

/** A small site: its published pages, and behind `/edit` its editor, by hand and by HTTP. */
export function smallSite(site: SmallSite, pages: PublishedPages): Router {
  const router = Router();
  router.use('/site', look());
  router.put('/edit/api/spots', json({ limit: '2mb' }), ({ body }, response) => {
    const { page, code } = (body ?? {}) as Record<string, unknown>;
    if (typeof page !== 'string' || typeof code !== 'string' || !titleAt(site, page))
      return void response.status(404).json({ problem: 'There is no such page, or no code was given.' });
    pages.edit(page, code);
    response.status(204).end();
  });
  router.post('/edit/api/publish', json(), async ({ body }, response) => {
    const { page } = (body ?? {}) as Record<string, unknown>;
    if (typeof page !== 'string' || !titleAt(site, page))
      return void response.status(404).json({ problem: 'There is no such page.' });
    await pages.publish(page, site.temper);
    response.status(204).end();
  });
  router.post(
    ['/edit', '/edit/:path'],
    urlencoded({ extended: false, limit: '2mb' }),
    async (request, response, next) => {
      const path = (request.params as { path?: string }).path ?? '';
      if (!titleAt(site, path)) return next();
      const { code = '' } = (request.body ?? {}) as Record<string, string>;
      // A form turns line ends into CRLF; what was typed had none of its own.
      pages.edit(path, code.replaceAll('\r\n', '\n'));
      await pages.publish(path, site.temper);
      response.redirect(303, `/edit/${path}?published`);
    },
  );
  router.get(['/edit', '/edit/:path'], (request, response, next) => {
    const path = (request.params as { path?: string }).path ?? '';
    if (!titleAt(site, path)) return next();
    response.set('Cache-Control', 'no-store').send(editorOf(site, path, pages, 'published' in request.query));
  });
  router.get('/{*path}', (request, response, next) => {
    const path = request.path.slice(1);
    const found = titleAt(site, path);
    if (!found) return next();
    response.send(
      page(
        site,
        found.title,
        `<h1>${escapeHtml(found.title)}</h1>
<p class="lead">${escapeHtml(found.lead)}</p>
<div class="spot">${pages.published(path)}</div>`,
        path,
      ),
    );
  });
  return router;
}

const titleAt = (site: SmallSite, path: string): { title: string; lead: string } | null =>
  path === '' ? { title: site.name, lead: site.lead } : path === site.page.path ? site.page : null;

function editorOf(site: SmallSite, path: string, pages: PublishedPages, isPublished: boolean): string {
  const { title } = titleAt(site, path)!;
  const wait = site.temper.delay === 0 ? '' : ` It is live in ${site.temper.delay} minutes.`;
  return page(
    site,
    `Edit: ${title}`,
    `<h1>${escapeHtml(title)}</h1>
${isPublished ? `<p role="status">Published.${wait} <a href="/${path}">See the page</a></p>` : ''}
<form method="post" action="/edit/${path}">
<p><label for="code">Spot “${spotOfAll}” <span>(${escapeHtml(site.temper.says)})</span></label>
<textarea id="code" name="code" rows="12" spellcheck="false">
${escapeHtml(pages.draft(path))}</textarea></p>
<p><button type="submit">Publish</button></p>
</form>`,
    path,
  );
}

function page(site: SmallSite, title: string, main: string, path: string): string {
  const links = [
    { path: '', title: 'Home' },
    { path: site.page.path, title: site.page.title },
  ].map(
    (each) =>
      `<a href="/${each.path}"${each.path === path ? ' aria-current="page"' : ''}>${escapeHtml(each.title)}</a>`,
  );
  return htmlPage({
    title: title === site.name ? title : `${title} · ${site.name}`,
    style: '/site/site.css',
    body: `<header><p class="brand">${escapeHtml(site.name)}</p><nav>${links.join('')}</nav></header>
<main class="editor">
${main}
</main>
<footer>${escapeHtml(site.name)} · <a href="/edit/${path}">edit this page</a></footer>`,
  });
}
