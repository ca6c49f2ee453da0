/** The pages of a site: where it says itself which it has, and to which its pages lead. */
export { linksOfPage, type PageLinks } from './page-links.ts';
export { withoutSiteName } from './titles.ts';
export { mostInSitemap, readSitemap, type Sitemap } from './sitemap.ts';
