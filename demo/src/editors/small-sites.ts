import { tempers, type Temper } from './tempers.ts';

/** A small site with an editor of its own temper. */
export interface SmallSite {
  /** As Orbis is to call it. */
  key: string;
  host: string;
  name: string;
  lead: string;
  /** Its page beside the first, and the spot that both have. */
  page: { path: string; title: string; lead: string };
  temper: Temper;
}

/** The spot that is on each of their pages. */
export const spotOfAll = 'main';

/** The sites of the observatory’s friends. */
export const smallSites: readonly SmallSite[] = [
  {
    key: 'darkskyweek',
    host: 'darkskyweek.localhost',
    name: 'Dark Sky Week',
    lead: 'Seven nights without a lamp, in the first week of November.',
    page: { path: 'programme', title: 'Programme', lead: 'Who speaks when, and where to stand.' },
    temper: tempers.framesAlone,
  },
  {
    key: 'moorhostel',
    host: 'moorhostel.localhost',
    name: 'The Moor Hostel',
    lead: 'Eighteen beds below the observatory, and a drying room.',
    page: { path: 'stay', title: 'Stay the night', lead: 'A bed, a key, and when the stars are out.' },
    temper: tempers.addressesAlone,
  },
  {
    key: 'nightwalkers',
    host: 'nightwalkers.localhost',
    name: 'The Night Walkers',
    lead: 'We walk when it is dark, with red torches, and come back.',
    page: { path: 'walks', title: 'Walks', lead: 'The next three, and how long they are.' },
    temper: tempers.withMarker,
  },
  {
    key: 'skyletter',
    host: 'skyletter.localhost',
    name: 'The Sky Letter',
    lead: 'One page a month about what is overhead.',
    page: { path: 'now', title: 'Overhead now', lead: 'What to look for before midnight.' },
    temper: tempers.linksAlone,
  },
];
