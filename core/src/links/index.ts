/**
 * In goes what was found behind a link (an oEmbed answer, a page, headers); out come the code to make of it,
 * or why there is none.
 */
export { readLinkedPage, type OembedEndpoint, type PageFacts } from './discover.ts';
export { framingOf, type Framing } from './framing.ts';
export {
  codeOfOembed,
  parseOembed,
  type OembedAnswer,
  type OembedFormat,
  type OembedParsed,
} from './oembed.ts';
export { oembedAddress, withRoom, type OembedRoom } from './ask.ts';
export {
  fitsScheme,
  hostsFor,
  readProviderList,
  schemeHost,
  type ListedEndpoint,
  type ProviderList,
  type Unusable,
} from './provider-list.ts';
export { offerOembed, writeOembed, type OembedOffer, type OfferedItem } from './offer.ts';
