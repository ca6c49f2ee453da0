/** In goes what was found behind a link (an oEmbed answer, a page, headers); out come the code to make of it, or why there is none. */
export { discoverOembed, type OembedEndpoint } from './discover.ts';
export { framingOf, type Framing } from './framing.ts';
export { codeOfOembed, parseOembed, type OembedAnswer, type OembedFormat, type OembedParsed } from './oembed.ts';
export { oembedAddress } from './ask.ts';
