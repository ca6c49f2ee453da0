/** The patterns of keys of places: what is longer than said beside them is not held against one. */

const name = '[a-z0-9]+(?:-[a-z0-9]+)*';
/* Steps with single slashes between them, and none before: the second half is said by what must not follow
   (RFC 3986, section 3.3). */
const path = "(?!/)(?!.*//)[A-Za-z0-9._~!$&'()*+,;=:@%/-]*";

/** The key of a site, and the name of a spot: `hollinfell`. */
export const namePattern = new RegExp(`^${name}$`);

/** The path of a page, without the slash before it: `talks`. */
export const pathPattern = new RegExp(`^${path}$`);

/* What stands in the place of a path for a block: no path has braces (RFC 3986, section 3.3). */
const block = `\\{${name}\\}`;

/** What a block of a site has in the place of a path: `{footer}`. */
export const blockPattern = new RegExp(`^${block}$`);

/** The key of a page, as site and path: `hollinfell/talks`; of a block `hollinfell/{footer}`. */
export const pagePattern = new RegExp(`^(${name})/(${block}|${path})$`);

/** The key of a spot, as site, path and spot: `hollinfell/talks#main`. */
export const placePattern = new RegExp(`^(${name})/(${block}|${path})#(${name})$`);

/** The key of a spot that many pages of a site have, as site and spot: `hollinfell#main`. */
export const sharedSpotPattern = new RegExp(`^(${name})#(${name})$`);

/** How many characters each has at most. */
export const longest = { path: 340, page: 400, place: 460, sharedSpot: 121 } as const;
