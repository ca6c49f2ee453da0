import { fileURLToPath } from 'node:url';
import { Router, static as serveFiles } from 'express';
import type { Faults } from './faults.ts';
import { smallSites } from './editors/small-sites.ts';
import { escapeHtml, htmlPage } from './html.ts';
import { hosts, originFor } from './hosts.ts';
import { gladewick, standIns } from './providers/index.ts';

const assets = fileURLToPath(new URL('../assets/world', import.meta.url));

/** How pages of the demo’s world look. */
export const serveWorld = (): Router => Router().use('/world', serveFiles(assets));

/**
 * The page of the demo's world: every provider, with its codes to copy, and a way to
 * switch what is wrong with it.
 */
export function worldIndex(faults: Faults): Router {
  const router = Router();
  router.use(serveWorld());
  router.get(
    '/elsewhere',
    (_request, response) =>
      void response.send(
        htmlPage({ title: 'Elsewhere', style: '/world/world.css', body: '<main><h1>Elsewhere</h1></main>' }),
      ),
  );
  router.use(faults.router([{ id: 'kinorill', name: 'Kinorill' }, ...standIns, gladewick]));
  router.get('/', (request, response) => {
    const origin = (host: string): string => originFor(request, host);
    const providers = [...standIns, gladewick].map(
      ({ name, offers }) =>
        `<section><h2>${escapeHtml(name)}</h2>${offers(origin)
          .map(
            ({ what, code }) =>
              `<p><label>${escapeHtml(what)}<br><textarea readonly rows="${Math.min(8, 2 + code.split('\n').length)}">${escapeHtml(code)}</textarea></label></p>`,
          )
          .join('')}</section>`,
    );
    const sites = [
      ['The observatory’s own site', hosts.hollinfell],
      ...smallSites.map(({ name, host }) => [name, host]),
      ['Kinorill, the video provider', hosts.kinorill],
    ].map(([words, host]) => `<li><a href="${origin(host!)}/">${words}</a></li>`);
    response.send(
      htmlPage({
        title: 'The demo’s world',
        style: '/world/world.css',
        body: `<main><h1>The demo’s world</h1><ul>${sites.join('')}<li><a href="/faults">What is wrong with a provider</a></li></ul>${providers.join('\n')}</main>
<script>
for (const field of document.querySelectorAll('textarea')) {
  const button = document.createElement('button');
  button.type = 'button';
  button.textContent = 'Copy';
  button.onclick = async () => { await navigator.clipboard.writeText(field.value); button.textContent = 'Copied'; };
  field.closest('p').append(button);
}
</script>`,
      }),
    );
  });
  return router;
}
