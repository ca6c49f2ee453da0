import { randomOf } from './chance.ts';
import { line } from './figures.ts';

/* What a day is made of. */
const views = 100_000_000;
const embeds = 20_000;
const places = 40;
/* One embed in so many is followed, by rank: the others are like their neighbours. */
const oneIn = 20;
const day = 86_400;

/* How many of a day’s views fall into each hour, of a site whose visitors sleep at night. */
const hours = Array.from({ length: 24 }, (_, hour) => 1 - 0.8 * Math.cos((2 * Math.PI * (hour - 3)) / 24));

/** How a place of the network keeps what it was given. */
interface Keeping {
  name: string;
  /** For how long it hands it out without asking, in seconds. */
  holds: number;
  /** For how much longer it hands it out while it asks anew, in seconds. */
  whileAsking: number;
  /** Whether the places ask one of them, and only that one asks Orbis. */
  shielded: boolean;
}

const ways: readonly Keeping[] = [
  { name: 'as it comes (60 s)', holds: 60, whileAsking: 0, shielded: false },
  { name: '60 s, and 600 s while asking', holds: 60, whileAsking: 600, shielded: false },
  { name: 'the same, behind one shield', holds: 60, whileAsking: 600, shielded: true },
  { name: '300 s, behind one shield', holds: 300, whileAsking: 600, shielded: true },
];

/**
 * A day of a hundred million views of 20,000 embeds through a content network of forty places, by chance:
 * how many come to Orbis, how many in the busiest second, and how many visitors wait for Orbis.
 */
export function contentNetwork(): string {
  const rows = ways.map((way) => {
    const { asked, peak, waiting } = simulate(way);
    return line(
      way.name,
      `${(asked / 1e6).toFixed(1)} M`,
      peak.toFixed(0),
      `${((100 * waiting) / views).toFixed(2)} %`,
    );
  });
  return `${views / 1e6} million views a day of ${embeds} embeds, by ${places} places: requests that reach Orbis, those in the busiest hour’s second, visitors who wait for one\n${line('', 'a day', 'a second', 'wait')}${rows.join('')}`;
}

function simulate(way: Keeping): { asked: number; peak: number; waiting: number } {
  const random = randomOf(20);
  const weight = Array.from({ length: embeds }, (_, rank) => 1 / (rank + 1));
  const all = weight.reduce((sum, each) => sum + each, 0);
  const perHour = new Array<number>(24).fill(0);
  let [asked, waiting] = [0, 0];
  const askers = way.shielded ? 1 : places;
  for (let rank = Math.floor(oneIn / 2); rank < embeds; rank += oneIn) {
    // The few that everybody looks at are nearly always kept: what one in twenty shows of them is enough.
    const rate = (views * weight[rank]!) / all / day;
    for (let asker = 0; asker < askers; asker++)
      for (const at of requests(rate / askers, way, random)) {
        asked += oneIn;
        perHour[Math.floor(at.time / 3600) % 24]! += oneIn;
        if (at.waits) waiting += oneIn;
      }
  }
  return { asked, peak: Math.max(...perHour) / 3600, waiting };
}

/* When a place asks for one embed that so many views a second come for, and whether somebody waits for it. */
function* requests(
  rate: number,
  { holds, whileAsking }: Keeping,
  random: () => number,
): Generator<{ time: number; waits: boolean }> {
  let fresh = -Infinity;
  for (let time = next(0, rate, random); time < day; time = next(Math.max(time, fresh), rate, random)) {
    yield { time, waits: time > fresh + whileAsking };
    fresh = time + holds;
  }
}

/* When the next one comes: by chance, at the rate that the hour has. */
function next(from: number, rate: number, random: () => number): number {
  const now = rate * hours[Math.floor(from / 3600) % 24]!;
  return from - Math.log(1 - random()) / now;
}
