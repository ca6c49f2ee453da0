import { gzipSync } from 'node:zlib';
import { Router } from 'express';
import { pages } from './content.ts';

/** What the demo site says to programs: where its pages are listed, and what is none. */
export function forPrograms(): Router {
  const router = Router();
  router.get(
    '/robots.txt',
    ({ headers }, response) =>
      void response
        .type('text/plain')
        .send(`User-agent: *\nDisallow: /edit\nSitemap: http://${headers.host}/sitemaps/index.xml\n`),
  );
  router.get('/sitemaps/index.xml', ({ headers }, response) => {
    const files = ['pages.xml', 'stories.xml.gz'];
    const all = files.map((file) => `<sitemap><loc>http://${headers.host}/sitemaps/${file}</loc></sitemap>`);
    response.type('xml').send(`${head}<sitemapindex ${space}>${all.join('')}</sitemapindex>`);
  });
  router.get(
    '/sitemaps/pages.xml',
    ({ headers }, response) =>
      void response.type('xml').send(listOf(pages.map(({ path }) => `http://${headers.host}/${path}`))),
  );
  router.get(
    '/sitemaps/stories.xml.gz',
    ({ headers }, response) =>
      void response
        .type('application/gzip')
        .send(gzipSync(listOf([`http://${headers.host}/stories/twelve-winters`]))),
  );
  return router;
}

const head = '<?xml version="1.0" encoding="UTF-8"?>\n';
const space = 'xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"';
const listOf = (addresses: readonly string[]): string =>
  `${head}<urlset ${space}>${addresses.map((address) => `<url><loc>${address}</loc></url>`).join('')}</urlset>`;
