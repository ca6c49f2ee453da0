import robotsParser from 'robots-parser';

// Its types speak of a default export that the module does not have: it is the function itself.
const parse = robotsParser as unknown as (
  address: string,
  text: string,
) => { isAllowed(url: string, product: string): boolean | undefined };

/** The name that a site's rules are looked up by (RFC 9309, section 2.2.1). */
const product = 'Orbis';

/** A site's robots.txt, and what is to be read of the site. */
export interface RobotsQuestion {
  /** Of the file itself. */
  file: string;
  text: string;
  url: string;
}

/** Whether a site lets programs read an address (RFC 9309). */
export const robotsAllow = ({ file, text, url }: RobotsQuestion): boolean =>
  parse(file, text).isAllowed(url, product) !== false;
