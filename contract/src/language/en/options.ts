import type { Language, OptionWords } from '../language.ts';
import { frameOptions } from './frame-options.ts';

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
      'How it gets its size: as wide as its place and always in its shape (fit=16:9 says the shape as well), as wide as its place and as high as it is now (or as its frame says it is, where its provider has it say so), always of one size, or as wide and as high as what it stands in.',
    done: (value) =>
      ({
        content: 'Make it as wide as its place, and as high as it is',
        fixed: 'Keep it at one size',
        fill: 'Make it fill what it stands in',
      })[value] ?? 'Make it fit its place',
    words: {
      shape: 'Always in its shape',
      content: 'As high as it is',
      fixed: 'Always of one size',
      fill: 'Fills its place',
    },
  },
  'shape': {
    label: 'Shape',
    explain: 'The shape to hold, as width to height; without it, what the code says.',
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
    explain: 'Never narrower than this, in px, also on a narrower screen.',
    done: (value) => `Never narrower than ${value} px`,
  },
  'heights': {
    label: 'Measured heights',
    explain:
      'How high it is at several widths, in px, as width:height. Its room is kept free until it is there, so nothing jumps; “Measure” fills this in.',
    done: () => 'Keep its room free, as high as it was measured',
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
  'load': {
    label: 'Loads',
    explain:
      'When visitors’ browsers fetch it: at once, when it comes near on the screen, when they press its button, or when the page allows it. Until then its provider hears nothing of them.',
    done: (value) =>
      ({
        near: 'Load it when it comes near',
        click: 'Load it when somebody presses a button',
        allow: 'Load it when the page allows it, or somebody presses a button',
      })[value] ?? 'Load it at once',
    words: {
      now: 'At once',
      near: 'When it comes near',
      click: 'When pressed',
      allow: 'When allowed',
    },
  },
  'still': {
    label: 'Still picture',
    explain:
      'The address of a picture that is shown until it loads, as it stands on your own site; or a small one itself, as data:image/webp;base64,….',
    done: (value) =>
      value.startsWith('data:')
        ? 'Show a small picture that the code holds until it loads'
        : `Show the picture ${value} until it loads`,
  },
  'still-also': {
    label: 'The picture in smaller types',
    explain:
      'In which other types the still picture stands beside it, under the same name with their endings (.avif, .webp): browsers that know them load less.',
    done: (value) => `Offer the picture in smaller types (${value})`,
    words: { 'avif': 'AVIF', 'webp': 'WebP', 'avif-and-webp': 'AVIF and WebP' },
  },
  'load-words': {
    label: 'Words of the button',
    explain: 'What the button says that loads it; without them, it says so in the language of the site.',
    done: (value) => `Call the button “${value}”`,
  },
  'load-remember': {
    label: 'Remember for the visit',
    explain:
      'Whether pressing the button once shows all from this provider, until the visitor closes the tab.',
    done: (value) =>
      value === 'on' ? 'Remember for the visit that the button was pressed' : 'Ask at each one',
    words: { on: 'Ask once a visit', off: 'Ask at each one' },
  },
  'heading': {
    label: 'Heading',
    explain: 'A heading above it.',
    done: (value) => `Put the heading “${value}” above it`,
  },
  'heading-level': {
    label: 'Level of the heading',
    explain: 'From 2, for a heading of the page, to 6; 2 where nothing is said.',
    done: (value) => `Make it a heading of level ${value}`,
  },
  'heading-align': {
    label: 'The heading stands',
    explain: 'Where the heading stands: at the beginning of its line, in the middle or at the end.',
    done: (value) => `Stand the heading at the ${value}`,
    words: { beginning: 'At the beginning', centre: 'In the middle', end: 'At the end' },
  },
  'caption': {
    label: 'Caption',
    explain: 'A line of small text below it, which belongs to it.',
    done: (value) => `Put the caption “${value}” below it`,
  },
  'link-below': {
    label: 'Link below',
    explain: 'The address of a page to which a link below it leads.',
    done: (value) => `Put a link to ${value} below it`,
  },
  'link-below-words': {
    label: 'Words of the link below',
    explain: 'What the link below it says; without them, the name of the site that it leads to.',
    done: (value) => `Call the link “${value}”`,
  },
  'fallback': {
    label: 'Link to the content',
    explain:
      'A small line below it with a link to the content at its provider, for visitors who see nothing there.',
    done: (value) => (value === 'on' ? 'Put a link to the content below it' : 'Put no link to the content'),
    words: { on: 'With a link below', off: 'Without' },
  },
  'backdrop': {
    label: 'Panel behind it',
    explain: 'The colour of a panel behind it; words on it are black or white, whichever reads better.',
    done: (value) => `Put a panel in ${value} behind it`,
  },
  'backdrop-padding': {
    label: 'Edge of the panel',
    explain: 'How far the panel goes beyond it, in px; 24 where nothing is said.',
    done: (value) => `Let the panel go ${value} px beyond it`,
  },
  'backdrop-reach': {
    label: 'The panel reaches',
    explain: 'Whether the colour of the panel ends with it, or goes on to both sides of the window.',
    done: (value) =>
      value === 'page' ? 'Let the panel reach both sides of the window' : 'Let the panel end with it',
    words: { content: 'As far as its place', page: 'To both sides of the window' },
  },
  'whole-link': {
    label: 'All of it is a link',
    explain: 'The address to which a press anywhere on it leads; then nothing in it can be pressed any more.',
    done: (value) => `Make all of it a link to ${value}`,
  },
  'whole-link-name': {
    label: 'Name of that link',
    explain:
      'What people hear of the link who cannot see it; without it, the heading or the name of the site.',
    done: (value) => `Call that link “${value}”`,
  },
  'whole-link-opens': {
    label: 'That link opens',
    explain: 'Whether the link over all of it opens in the same tab or in a new one.',
    done: (value) => (value === 'new' ? 'Open that link in a new tab' : 'Open that link in the same tab'),
    words: { same: 'In the same tab', new: 'In a new tab' },
  },
  'tint': {
    label: 'Tint over it',
    explain: 'A colour that is laid over it; it can still be used.',
    done: (value) => `Lay ${value} over it`,
  },
  'tint-strength': {
    label: 'Strength of the tint',
    explain: 'How much the tint hides, in per cent; 40 where nothing is said.',
    done: (value) => `Let the tint hide ${value}`,
  },
  'words-over': {
    label: 'Words over it',
    explain: 'Words in the middle of it, on top; it can still be used.',
    done: (value) => `Write “${value}” over it`,
  },
  'band': {
    label: 'Covers a band',
    explain:
      'How high a band is, in px, that it covers whatever the width: a moving background, without sound and out of the way of people who cannot see it.',
    done: (value) => `Let it cover a band of ${value} px`,
  },
  'band-behind': {
    label: 'Behind its section',
    explain:
      'Whether the band lies behind all of the section that it is pasted into, with the words that are there, instead of having a height of its own. Paste it as the first thing in that section.',
    done: (value) =>
      value === 'on' ? 'Lay it behind the section that it stands in' : 'Let it have a height of its own',
  },
  'band-focus-x': {
    label: 'What stays, across',
    explain: 'Which part stays in sight where the band is narrower: 0 is its left side, 100 its right one.',
    done: (value) => `Keep what is at ${value} from the left in sight`,
  },
  'band-focus-y': {
    label: 'What stays, down',
    explain: 'Which part stays in sight where the band is lower: 0 is its upper edge, 100 its lower one.',
    done: (value) => `Keep what is at ${value} from the top in sight`,
  },
  'space-above': {
    label: 'Space above',
    explain: 'How far it stands from what is above it, in px.',
    done: (value) => `Leave ${value} px above it`,
  },
  'space-below': {
    label: 'Space below',
    explain: 'How far it stands from what is below it, in px.',
    done: (value) => `Leave ${value} px below it`,
  },
  'space-beside': {
    label: 'Space beside',
    explain: 'How far it stands from the sides of its place, in px.',
    done: (value) => `Leave ${value} px on both sides of it`,
  },
  'crop-left': {
    label: 'Part from the left',
    explain: 'Where the part begins that is shown, in px from the left side of the page in the frame.',
    done: (value) => `Show the part that begins ${value} px from the left`,
  },
  'crop-top': {
    label: 'Part from the top',
    explain: 'Where the part begins that is shown, in px from the top of the page in the frame.',
    done: (value) => `Show the part that begins ${value} px from the top`,
  },
  'crop-width': {
    label: 'Width of the part',
    explain: 'How wide the part is that is shown of the page in the frame, in px.',
    done: (value) => `Show a part of it, ${value} px wide`,
  },
  'crop-height': {
    label: 'Height of the part',
    explain: 'How high the part is that is shown of the page in the frame, in px.',
    done: (value) => `Show a part of it, ${value} px high`,
  },
  'crop-scale': {
    label: 'Size of the part',
    explain: 'How large the part is shown, in per cent; 100 is as it is.',
    done: (value) => `Show the part at ${value}`,
  },
  'leave-out': {
    label: 'Leave out',
    explain:
      'Parts of the code to do without, by their names: heading, notice, link, picture, style, comment, fallback, or a field of a form (field.phone). Of several the first is heading.1.',
    done: (value) => `Leave out ${value}`,
  },
  ...frameOptions,
} satisfies Language['options'];

/** When what is asked holds. */
export const conditions = {
  'phone': 'on phones',
  'tablet': 'on tablets',
  'print': 'on paper',
  'reduced-motion': 'where people want less motion',
  'forced-colours': 'where people’s own colours hold',
  'in-section': 'within the section that it stands in',
  'of-section': 'of the section that it stands in',
} satisfies Language['conditions'];

/** What a parameter that is set by hand does. */
export const byHand: OptionWords = {
  label: 'Parameter',
  explain: 'A parameter of the address by the provider’s own name; it wins over every other option.',
  done: (value) => `Set it to ${value}`,
};
