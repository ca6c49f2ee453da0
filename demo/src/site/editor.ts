import { json, Router, urlencoded } from 'express';
import { escapeHtml, htmlPage } from '../html.ts';
import { pageAt, pages, type SitePage } from './content.ts';
import type { SiteStore } from './store.ts';

/**
 * A plain page editor, standing in for whatever editor an owner's site has: a field for each
 * spot, and a publish button.
 */
export function editor(store: SiteStore): Router {
  const router = Router();
  // The HTTP interface of the editor: put a code into a spot, publish a page.
  router.put('/api/spots', json({ limit: '2mb' }), (request, response) => {
    const { page, spot, code } = (request.body ?? {}) as Record<string, unknown>;
    const known =
      typeof page === 'string' &&
      typeof spot === 'string' &&
      typeof code === 'string' &&
      pageAt(page)?.sections.some((s) => s.spot === spot);
    if (!known)
      return void response
        .status(404)
        .json({ problem: 'There is no such page or spot, or no code was given.' });
    store.edit(page, spot, code);
    response.status(204).end();
  });
  for (const where of ['head', 'footer'] as const)
    router.put(`/api/${where}`, json({ limit: '2mb' }), (request, response) => {
      const { code } = (request.body ?? {}) as Record<string, unknown>;
      if (typeof code !== 'string') return void response.status(400).json({ problem: 'No code was given.' });
      store.editEvery(where, code);
      response.status(204).end();
    });
  router.post('/api/publish', json(), (request, response) => {
    const { page } = (request.body ?? {}) as Record<string, unknown>;
    if (typeof page !== 'string' || !pageAt(page))
      return void response.status(404).json({ problem: 'There is no such page.' });
    store.publish(page);
    response.status(204).end();
  });
  router.get('/', (request, response) => {
    if (!request.originalUrl.endsWith('/')) return response.redirect('/edit/');
    show('', request.query['published'] !== undefined, store, response);
  });
  router.use('/every-page', everyPage(store));
  router.get('/:path', (request, response, next) =>
    pageAt(request.params.path)
      ? show(request.params.path, request.query['published'] !== undefined, store, response)
      : next(),
  );
  router.post(['/', '/:path'], urlencoded({ extended: false, limit: '2mb' }), (request, response, next) => {
    const path = (request.params as { path?: string }).path ?? '';
    const page = pageAt(path);
    if (!page) return next();
    const fields = (request.body ?? {}) as Record<string, string>;
    for (const { spot } of page.sections) {
      // A form turns line ends into CRLF; what was typed had none of its own.
      const code = fields[`spot-${spot}`];
      if (code !== undefined) store.edit(path, spot, code.replaceAll('\r\n', '\n'));
    }
    store.publish(path);
    response.redirect(303, `/edit/${path}?published`);
  });
  return router;
}

/* What all pages have in common. */
function everyPage(store: SiteStore): Router {
  const router = Router();
  router.get('/', (request, response) =>
    showEveryPage(request.query['published'] !== undefined, store, response),
  );
  router.post('/', urlencoded({ extended: false, limit: '2mb' }), (request, response) => {
    const { head = '', footer = '' } = (request.body ?? {}) as Record<string, string>;
    store.editEvery('head', head.replaceAll('\r\n', '\n'));
    store.editEvery('footer', footer.replaceAll('\r\n', '\n'));
    response.redirect(303, '/edit/every-page?published');
  });
  return router;
}

function show(path: string, published: boolean, store: SiteStore, response: Sent): void {
  const page = pageAt(path)!;
  const { draft } = store.read();
  const body = `${header(page)}
<main class="editor">
<h1>${escapeHtml(page.path === '' ? 'Home' : page.title)}</h1>
${published ? `<p class="done" role="status">Published. <a href="/${page.path}">See the page</a></p>` : ''}
<form method="post" action="/edit/${page.path}">
${fields(page, draft)}
<p><button type="submit">Publish</button></p>
</form>
</main>`;
  send(response, `Edit: ${page.title}`, body);
}

function showEveryPage(published: boolean, store: SiteStore, response: Sent): void {
  const { head = '', footer = '' } = store.read();
  const body = `${header(null)}
<main class="editor">
<h1>Every page</h1>
${published ? '<p class="done" role="status">Published on every page.</p>' : ''}
<form method="post" action="/edit/every-page">
<p><label for="head">Code for the head of every page <span>(HTML)</span></label>
<textarea id="head" name="head" rows="6" spellcheck="false">
${escapeHtml(head)}</textarea></p>
<p><label for="footer">Code for the footer of every page <span>(HTML)</span></label>
<textarea id="footer" name="footer" rows="6" spellcheck="false">
${escapeHtml(footer)}</textarea></p>
<p><button type="submit">Publish</button></p>
</form>
</main>`;
  send(response, 'Edit: every page', body);
}

interface Sent {
  send(html: string): unknown;
  set(name: string, value: string): unknown;
}

function send(response: Sent, title: string, body: string): void {
  response.set('Cache-Control', 'no-store');
  response.send(htmlPage({ title, style: '/site/site.css', body }));
}

function header(page: SitePage | null): string {
  const link = (path: string, title: string, isOpen: boolean): string =>
    `<a href="/edit/${path}"${isOpen ? ' aria-current="page"' : ''}>${escapeHtml(title)}</a>`;
  const links = pages.map((other) =>
    link(other.path, other.path === '' ? 'Home' : other.title, other === page),
  );
  return `<header><p class="brand">Hollin Fell<span>page editor</span></p><nav>${links.join('')}${link('every-page', 'Every page', page === null)}</nav></header>`;
}

const fields = (page: SitePage, draft: Record<string, string>): string =>
  page.sections
    .map(
      ({ heading, spot }) =>
        `<p><label for="spot-${spot}">${escapeHtml(heading)} <span>(spot “${spot}”, HTML)</span></label>\n<textarea id="spot-${spot}" name="spot-${spot}" rows="6" spellcheck="false">\n${escapeHtml(draft[`${page.path}#${spot}`] ?? '')}</textarea></p>`,
    )
    .join('\n');
