import type { Kind, ReadAddress } from '../reading.ts';
import type { Spoken, Weights } from './spoken.ts';

/** What the words of an address weigh, by what the address is for. */
export interface AddressWeights {
  /** A step of the path that is one word, and one of several words. */
  step: Weights;
  steps: Weights;
  /** A name before that of the provider (`maps.…`), and the provider's own. */
  host: Weights;
  brand: Weights;
  query: Weights;
  /** The kinds that it can speak for, where it cannot for all. */
  kinds?: ReadonlySet<Kind>;
}

/** Of what is shown, or of the script that shows it. */
export const ofShown: AddressWeights = {
  step: [4, 2],
  steps: [3, 1],
  host: [3, 1],
  brand: [1, 0],
  query: [2, 1],
};
/** Of a link: it leads to what it speaks of, and is not yet it. */
export const ofLink: AddressWeights = {
  step: [3, 1],
  steps: [2, 1],
  host: [2, 1],
  brand: [0, 0],
  query: [1, 1],
};
/** Of a picture: its folders say what it is, where it is more than one; all else is to be seen on it. */
export const ofPicture: AddressWeights = {
  step: [3, 1],
  steps: [1, 0],
  host: [3, 0],
  brand: [0, 0],
  query: [1, 0],
  kinds: new Set<Kind>(['counter', 'share', 'advert']),
};

/* A name of more words is one that somebody gave to the content: “the-radio-song-map”. */
const mostWords = 3;
const mostSteps = 12;

/** Where the query or fragment of an address begins. */
export function pathEnd(url: string): number {
  const [query, hash] = [url.indexOf('?'), url.indexOf('#')];
  return Math.min(query < 0 ? url.length : query, hash < 0 ? url.length : hash);
}

/** Hears the words in an address: those of its steps, its host and its parameters. */
export function hearAddress(
  spoken: Spoken,
  url: string,
  parameters: ReadAddress['parameters'],
  weights: AddressWeights,
): void {
  spoken.listenFor(weights.kinds ?? null);
  const end = pathEnd(url);
  const slashes = url.indexOf('//');
  if (slashes < 0 || slashes > end) return;
  const from = url.indexOf('/', slashes + 2);
  const hostEnd = from < 0 || from > end ? end : from;
  hearHost(spoken, url, slashes + 2, hostEnd, weights);
  for (let at = hostEnd, n = 0; at < end && n < mostSteps; n++) {
    const slash = url.indexOf('/', at + 1);
    const stop = slash < 0 || slash > end ? end : slash;
    hearStep(spoken, url, at + 1, stop, weights);
    at = stop;
  }
  for (const { name, value } of parameters) hearParameter(spoken, name, value, weights.query);
  spoken.listenFor(null);
}

/* The last label is nobody's, the one before it the provider's own; what stands before says what it is. */
function hearHost(spoken: Spoken, url: string, from: number, end: number, weights: AddressWeights): void {
  const last = url.lastIndexOf('.', end - 1);
  const own = Math.max(from, url.lastIndexOf('.', last - 1) + 1);
  if (last <= from) return;
  if (own > from) spoken.words('host', url, weights.host, from, own);
  spoken.words('host', url, weights.brand, own, last);
}

/* A step without the ending of a program or a page. */
function hearStep(spoken: Spoken, url: string, from: number, stop: number, weights: AddressWeights): void {
  const point = url.lastIndexOf('.', stop - 1);
  const end = point > from && stop - point <= 5 ? point : stop;
  if (end - from < 2) return;
  let words = 1;
  for (let i = from; i < end; i++) if (isJoint(url.charCodeAt(i))) words++;
  if (words > mostWords) spoken.words('step', url, ofSlug, from, end);
  else if (words > 1 || !spoken.word('step', url.slice(from, end), weights.step))
    spoken.words('step', url, weights.steps, from, end);
}
const ofSlug: Weights = [1, 0];

/* `-`, `_` and `+`. */
const isJoint = (c: number): boolean => c === 45 || c === 95 || c === 43;

/* Where somebody came from says nothing of what is shown. */
const ofVisit = /^(?:utm_|ref|source|src|from|via|campaign|feature|medium|lang|theme|style|colou?r)/i;

function hearParameter(spoken: Spoken, name: string, value: string | null, weights: Weights): void {
  if (ofVisit.test(name)) return;
  spoken.words('query', name, weights);
  if (value && value.length <= 24 && /^[a-z]+$/i.test(value))
    spoken.word('query', value, [weights[0] + 1, weights[1]]);
}
