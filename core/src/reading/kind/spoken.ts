import { reason } from '../../reason.ts';
import type { Kind, Reading } from '../reading.ts';
import type { Trade } from './vocabulary.ts';
import { tradesOf } from './vocabulary.ts';
import { eachWord } from './words.ts';

/** Where a word of a trade can stand. */
export type Place = 'step' | 'host' | 'query' | 'names' | 'title' | 'text' | 'script';

/** What a word weighs: one that is hardly said of anything else, and one that other things are called too. */
export type Weights = readonly [sure: number, hint: number];

interface Heard {
  place: Place;
  kind: Kind;
  weight: number;
  word: string;
  /** Whether another word of the same kind stands there too: two are hardly chance. */
  more: boolean;
}

/* A name that is made of a word says little, and only where names stand. */
const stemIn = (place: Place, hint: number): number => (place === 'names' ? hint : place === 'host' ? 1 : 0);

/** Words of trades, gathered by where they stand: each place speaks once for a kind. */
export class Spoken {
  readonly #heard: Heard[] = [];

  #kinds: ReadonlySet<Kind> | null = null;
  #place: Place = 'names';
  #weights: Weights = [0, 0];

  /** Hears of these kinds only from now on; null is of all. */
  listenFor(kinds: ReadonlySet<Kind> | null): void {
    this.#kinds = kinds;
  }

  /** Every word in a text, or in a stretch of it. */
  words(place: Place, text: string, weights: Weights, from = 0, to = text.length): void {
    [this.#place, this.#weights] = [place, weights];
    eachWord(text, from, to, this.#hear);
  }

  readonly #hear = (word: string): void => {
    const trades = tradesOf(word);
    if (trades) this.#note(this.#place, trades, word, this.#weights);
  };

  /** A text that is nothing but one word. */
  word(place: Place, text: string, weights: Weights): boolean {
    const word = text.toLowerCase();
    const trades = tradesOf(word);
    if (trades) this.#note(place, trades, word, weights);
    return trades !== null;
  }

  /** Whether any word speaks for a kind. */
  speaksFor(kind: Kind): boolean {
    return this.#heard.some((each) => each.kind === kind);
  }

  #note(place: Place, trades: readonly Trade[], word: string, [sure, hint]: Weights): void {
    for (const { kind, as } of trades) {
      const weight = as === 'sure' ? sure : as === 'hint' ? hint : stemIn(place, hint);
      if (weight === 0 || this.#kinds?.has(kind) === false) continue;
      const known = this.#of(place, kind);
      if (!known) this.#heard.push({ place, kind, weight, word, more: false });
      else {
        known.more ||= word !== known.word;
        if (weight > known.weight) [known.weight, known.word] = [weight, word];
      }
    }
  }

  #of(place: Place, kind: Kind): Heard | undefined {
    for (const each of this.#heard) if (each.place === place && each.kind === kind) return each;
    return undefined;
  }

  /** What they speak for. */
  said(): Reading['evidence'] {
    return this.#heard.map(({ place, kind, weight, word, more }) => ({
      kind,
      weight: more ? weight + 1 : weight,
      reason: reason('word-of-trade', { where: place, word, kind }),
    }));
  }
}
