import type { Language } from '../language.ts';

/** Why a link, an answer about it, or an entry in a list of providers cannot be used. */
export const links = {
  'policy-lets-only': (f) => `its policy lets ${ancestors(String(f.lets))} show it (frame-ancestors)`,
  'frame-option-deny': () => 'it lets nobody show it in a frame (X-Frame-Options)',
  'frame-option-own-site': () => 'it lets only its own site show it in a frame (X-Frame-Options)',
  'answer-no-json': () => 'the answer is not a JSON object',
  'answer-no-xml': () => 'the answer is not an oEmbed document in XML',
  'answer-type-unknown': (f) => `the answer is of the type “${f.type}”, which oEmbed does not know`,
  'answer-without-code': (f) =>
    `the answer says that it is ${f.type === 'rich' ? 'something rich' : 'a video'}, and has no code for it`,
  'answer-without-picture': () => 'the answer says that it is a picture, and has no address of one',
  'list-no-json': () => 'it cannot be read as JSON',
  'list-no-array': () => 'it is not a list: it does not begin with “[”',
  'entry-no-object': () => 'it is not an object',
  'entry-without-name': () => 'it has no name',
  'entry-name-long': (f) => `it is longer than ${f.most} characters`,
  'entry-without-endpoints': () => 'it names none',
  'endpoint-no-address': () => 'it is not the address of an endpoint',
  'endpoint-formats': (f) => `it answers in ${f.formats}, and neither in JSON nor in XML`,
  'endpoint-without-links': () => 'it names no links: they are found by what their own pages say',
  'scheme-no-pattern': () => 'it is not a pattern of links',
  'scheme-not-web': () => 'only links with http and https are followed',
  'scheme-star-in-host': () => 'in a host, a star stands only for what is before its first dot',
  'scheme-too-wide': () => 'a star for all hosts of a whole top-level domain is too much',
} satisfies Language['links'];

/* The sources of a policy, in words where they have some. */
const ancestors = (sources: string): string =>
  sources === "'none'" ? 'nobody' : `only ${sources.replaceAll("'self'", 'its own site')}`;
