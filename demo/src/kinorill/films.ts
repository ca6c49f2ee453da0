/** A video of the stand-in provider. All of them show the same sky. */
export interface Film {
  id: string;
  title: string;
  by: string;
}

export const films: readonly Film[] = [
  { id: 'nB4moorNight', title: 'Opening talk: a night on the moor', by: 'Hollin Fell Observatory' },
  { id: 'tS9turning', title: 'The turning sky, one hour in a minute', by: 'Hollin Fell Observatory' },
  { id: 'fN2north', title: 'How to find north without a compass', by: 'Dark Sky Week' },
  { id: 'cM7comet', title: 'What a comet leaves behind', by: 'Hollin Fell Observatory' },
  { id: 'rG5rings', title: 'Rings, seen through small telescopes', by: 'Dark Sky Week' },
];

export const filmById = (id: string): Film | null => films.find((film) => film.id === id) ?? null;
