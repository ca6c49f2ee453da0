import robotsParser from 'robots-parser';

// Its types speak of a default export that the module does not have: it is the function itself.
const parse = robotsParser as unknown as (
  address: string,
  text: string,
) => { isAllowed(url: string, product: string): boolean | undefined; getSitemaps(): string[] };

/** The name that a site's rules are looked up by (RFC 9309, section 2.2.1). */
const product = 'Orbis';

/** A site's robots.txt. */
export interface RobotsFile {
  /** Its address. */
  file: string;
  text: string;
}

/** The same, and what is to be read of the site. */
export interface RobotsQuestion extends RobotsFile {
  url: string;
}

/** Whether a site lets programs read an address (RFC 9309). */
export const robotsAllow = ({ file, text, url }: RobotsQuestion): boolean =>
  parse(file, text).isAllowed(url, product) !== false;

/** The sitemaps that it names, which a site may have anywhere (Sitemaps protocol 0.9); the first hundred. */
export const sitemapsIn = ({ file, text }: RobotsFile): string[] =>
  parse(file, text)
    .getSitemaps()
    .filter((address) => /^https?:/i.test(address) && URL.canParse(address))
    .slice(0, 100);
