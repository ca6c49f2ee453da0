import type { Language, OptionWords } from '../language.ts';

/** What each option of the table is called and does. */
export const options = {
  'start': { label: 'Start', explain: 'Where playing begins.', done: (value) => `Start at ${value}` },
  'end': { label: 'End', explain: 'Where playing stops.', done: (value) => `Stop at ${value}` },
  'autoplay': {
    label: 'Plays by itself',
    explain:
      'Whether it plays by itself as soon as it is there. Browsers allow that only without sound, so it brings “muted” with it.',
    done: (value) => (value === 'on' ? 'Play by itself' : 'Wait for a click before playing'),
  },
  'muted': {
    label: 'Silent',
    explain: 'Whether it plays without sound.',
    done: (value) => (value === 'on' ? 'Play without sound' : 'Play with sound'),
  },
  'loop': {
    label: 'Again and again',
    explain: 'Whether it begins again when it has come to its end.',
    done: (value) => (value === 'on' ? 'Play again and again' : 'Play once'),
  },
  'controls': {
    label: 'Buttons',
    explain: 'Whether the player shows its buttons.',
    done: (value) => (value === 'on' ? 'Show the buttons of the player' : 'Hide the buttons of the player'),
  },
  'captions': {
    label: 'Captions',
    explain: 'Whether what is said is shown in words.',
    done: (value) => (value === 'on' ? 'Show captions' : 'Show no captions'),
  },
  'download': {
    label: 'Download',
    explain: 'Whether people may take the file away.',
    done: (value) => (value === 'on' ? 'Offer it for download' : 'Offer no download'),
  },
  'language': {
    label: 'Language',
    explain: 'The language in which the provider speaks to visitors.',
    done: (value) => `Speak ${value}`,
  },
  'theme': {
    label: 'Theme',
    explain: 'The provider’s light or dark theme.',
    done: (value) => `Use the ${value} theme`,
    words: { light: 'Light', dark: 'Dark' },
  },
  'accent': {
    label: 'Accent colour',
    explain: 'The colour of buttons and lines in the provider’s part.',
    done: (value) => `Use the accent ${value}`,
  },
  'privacy': {
    label: 'Quieter',
    explain:
      'Whether the provider’s quieter address is used: one that keeps nothing in the visitor’s browser.',
    done: (value) =>
      value === 'on' ? 'Use the provider’s quieter address' : 'Use the provider’s usual address',
  },
  'zoom': {
    label: 'Zoom',
    explain: 'How close in: the larger the number, the closer.',
    done: (value) => `Zoom to ${value}`,
  },
  'centre': {
    label: 'Centre',
    explain: 'The place in the middle: latitude and longitude in degrees.',
    done: (value) => `Put ${value} in the middle`,
  },
  'view': {
    label: 'View',
    explain: 'Which of the provider’s views is shown; each provider has its own words for them.',
    done: (value) => `Show the view “${value}”`,
  },
  'page': {
    label: 'Page',
    explain: 'The page at which the document opens.',
    done: (value) => `Open page ${value}`,
  },
  'account': {
    label: 'Account',
    explain: 'Whose things are shown: the account’s name or number at the provider.',
    done: (value) => `Show the account “${value}”`,
  },
  'count': { label: 'How many', explain: 'How many items are shown.', done: (value) => `Show ${value}` },
  'delay': {
    label: 'Waits',
    explain: 'How long it waits before it shows itself.',
    done: (value) => `Wait ${value}`,
  },
  'prefill': {
    label: 'Filled in',
    explain: 'What stands in the first field before anybody types.',
    done: (value) => `Fill in “${value}”`,
  },
  'title': {
    label: 'Title',
    explain: 'What it is called for people who cannot see it.',
    done: (value) => `Call it “${value}” for people who cannot see it`,
  },
  'lang': {
    label: 'Spoken in',
    explain: 'The language of what it shows, so that it is read aloud with the right voice.',
    done: (value) => `Say that it is in “${value}”`,
  },
  'width': {
    label: 'Width',
    explain: 'How wide it is, in px; the height follows where the shape is known.',
    done: (value) => `Make it ${value} px wide`,
  },
  'height': {
    label: 'Height',
    explain: 'How high it is, in px; the width follows where the shape is known.',
    done: (value) => `Make it ${value} px high`,
  },
  'tracking': {
    label: 'Tracking',
    explain:
      'Whether addresses keep the parameters that only follow people and change nothing of what is shown; off takes them out.',
    done: (value) =>
      value === 'on'
        ? 'Keep the parameters that follow people'
        : 'Take out the parameters that only follow people',
    words: { off: 'Taken out', on: 'Kept, whatever the rule' },
  },
  'fit': {
    label: 'Fit',
    explain:
      'Makes it as wide as its place lets it, always in its own shape; fit=16:9 says the shape as well.',
    done: () => 'Make it fit its place',
    words: { shape: 'Fills its place' },
  },
  'shape': {
    label: 'Shape',
    explain: 'The shape to hold, as width to height, where the code does not say it or says it wrongly.',
    done: (value) => `Hold the shape ${value}`,
  },
  'share': {
    label: 'Share of width',
    explain: 'This share of the width of its place, in per cent.',
    done: (value) => `Make it ${value} of its place wide`,
  },
  'max-width': {
    label: 'Never wider than',
    explain: 'Never wider than this, in px.',
    done: (value) => `Never wider than ${value} px`,
  },
  'align': {
    label: 'Stands',
    explain: 'Where it stands when its place is wider than it: left, centre or right.',
    done: (value) => `Stand it ${value}`,
    words: { left: 'On the left', centre: 'In the middle', right: 'On the right' },
  },
  'min-width': {
    label: 'Never narrower than',
    explain: 'Never narrower than this, in px; on a narrower screen it can be moved sideways.',
    done: (value) => `Never narrower than ${value} px`,
  },
  'corners': {
    label: 'Round corners',
    explain: 'How far its corners are rounded, in px.',
    done: (value) => `Round its corners by ${value} px`,
  },
  'border': {
    label: 'Line around it',
    explain: 'How wide the line around it is, in px. It counts as a part of its width.',
    done: (value) => `Draw a line of ${value} px around it`,
  },
  'border-colour': {
    label: 'Colour of the line',
    explain: 'The colour of the line around it; without it, that of the text beside it.',
    done: (value) => `Draw the line around it in ${value}`,
  },
  'shadow': {
    label: 'Shadow',
    explain: 'Whether it casts a shadow on the page.',
    done: (value) => `Give it a ${value} shadow`,
    words: { soft: 'Soft', strong: 'Strong' },
  },
} satisfies Language['options'];

/** When what is asked holds. */
export const conditions = {
  'phone': 'on phones',
  'tablet': 'on tablets',
  'print': 'on paper',
  'reduced-motion': 'where people want less motion',
  'forced-colours': 'where people’s own colours hold',
} satisfies Language['conditions'];

/** What a parameter that is set by hand does. */
export const byHand: OptionWords = {
  label: 'Parameter',
  explain: 'A parameter of the address by the provider’s own name; it wins over every other option.',
  done: (value) => `Set it to ${value}`,
};
