import type { ReadAddress } from '../reading.ts';
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
/** Of a picture: its file's name says what is to be seen, its folders what it is. */
export const ofPicture: AddressWeights = {
  step: [3, 1],
  steps: [1, 0],
  host: [3, 0],
  brand: [0, 0],
  query: [1, 0],
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
  const end = pathEnd(url);
  const slashes = url.indexOf('//');
  if (slashes < 0 || slashes > end) return;
  const from = url.indexOf('/', slashes + 2);
  const hostEnd = from < 0 || from > end ? end : from;
  hearHost(spoken, url.slice(slashes + 2, hostEnd), weights);
  if (hostEnd < end) hearSteps(spoken, url.slice(hostEnd + 1, end), weights);
  for (const { name, value } of parameters) hearParameter(spoken, name, value, weights.query);
}

function hearHost(spoken: Spoken, host: string, { host: before, brand }: AddressWeights): void {
  const labels = host.split('.', 8);
  const own = labels.length - 2;
  labels.forEach((label, i) => {
    if (i < own) spoken.words('host', label, before);
    else if (i === own) spoken.words('host', label, brand);
  });
}

function hearSteps(spoken: Spoken, path: string, { step: one, steps: several }: AddressWeights): void {
  for (const written of path.split('/', mostSteps)) {
    const step = bare(written);
    if (step.length < 2 || spoken.word('step', step, one)) continue;
    if (step.split(/[-_+]/, mostWords + 1).length > mostWords) spoken.words('step', step, [1, 0]);
    else spoken.words('step', step, several);
  }
}

/* Without the ending of a program or a page. */
function bare(step: string): string {
  const point = step.lastIndexOf('.');
  return point > 0 && step.length - point <= 5 ? step.slice(0, point) : step;
}

/* Where somebody came from says nothing of what is shown. */
const ofVisit = /^(?:utm_|ref|source|src|from|via|campaign|feature|medium|lang|theme|style|colou?r)/i;

function hearParameter(spoken: Spoken, name: string, value: string | null, weights: Weights): void {
  if (ofVisit.test(name)) return;
  spoken.words('query', name, weights);
  if (value && value.length <= 24 && /^[a-z]+$/i.test(value))
    spoken.word('query', value, [weights[0] + 1, weights[1]]);
}
