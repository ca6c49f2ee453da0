/** A page of the demo site: text, and the spots between it. */
export interface SitePage {
  path: string;
  title: string;
  lead: string;
  sections: { heading: string; text: string; spot: string }[];
}

/** Hollin Fell Observatory's own words; what is in the spots is put there through the editor. */
export const pages: readonly SitePage[] = [
  {
    path: '',
    title: 'Hollin Fell Observatory',
    lead: 'A small public observatory on the moor. Three telescopes, one kettle, and on most nights more stars than you can count.',
    sections: [
      { heading: 'The sky turns, we watch', text: 'One hour over the dome, in a minute.', spot: 'sky' },
    ],
  },
  {
    path: 'talks',
    title: 'Talks',
    lead: 'Parts of our winter lectures, cut to what you came for.',
    sections: [
      {
        heading: 'A night on the moor',
        text: 'From the opening talk of Dark Sky Week: why the dark is worth keeping.',
        spot: 'opening',
      },
      { heading: 'How to find north', text: 'Without a compass, in two minutes.', spot: 'north' },
      {
        heading: 'What a comet leaves behind',
        text: 'Dust, mostly. And one very good story.',
        spot: 'comet',
      },
    ],
  },
  {
    path: 'newsletter',
    title: 'Newsletter',
    lead: 'One letter a month, when the moon is new.',
    sections: [
      {
        heading: 'Sign up',
        text: 'We send the opening hours, the weather’s intentions, and nothing else.',
        spot: 'form',
      },
    ],
  },
  {
    path: 'live',
    title: 'Live',
    lead: 'What the camera on the dome sees.',
    sections: [
      { heading: 'The sky now', text: 'Silent, and looping when the camera rests.', spot: 'camera' },
    ],
  },
];

export const pageAt = (path: string): SitePage | null => pages.find((page) => page.path === path) ?? null;
