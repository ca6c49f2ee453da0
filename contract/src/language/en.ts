import type { Language } from './language.ts';

const taken = (provider: unknown): string => (provider === null ? 'as browsers take it' : `as ${provider} takes it`);
const place = (position: unknown): string => (position === 'fragment' ? 'in the fragment of the address' : 'in the address');
const standsAt: Record<string, string> = { left: 'On the left of its place', centre: 'In the middle of its place', right: 'On the right of its place' };
const missingParts: Record<string, string> = {
  mount: 'element that a script fills',
  loader: 'script of its provider',
  setup: 'script that hands its options over',
  json: 'JSON where its provider takes it: what stands in that attribute is something else',
  address: 'address that could have a parameter',
};

/** English. Every code of the core and of the contract has its words here. */
export const en = {
  options: {
    'start': { label: 'Start', explain: 'Where playing begins.', done: (value) => `Start at ${value}` },
    'end': { label: 'End', explain: 'Where playing stops.', done: (value) => `Stop at ${value}` },
    'autoplay': {
      label: 'Plays by itself',
      explain: 'Whether it plays by itself as soon as it is there. Browsers allow that only without sound, so it brings “muted” with it.',
      done: (value) => (value === 'on' ? 'Play by itself' : 'Wait for a click before playing'),
    },
    'muted': { label: 'Silent', explain: 'Whether it plays without sound.', done: (value) => (value === 'on' ? 'Play without sound' : 'Play with sound') },
    'loop': { label: 'Again and again', explain: 'Whether it begins again when it has come to its end.', done: (value) => (value === 'on' ? 'Play again and again' : 'Play once') },
    'controls': {
      label: 'Buttons',
      explain: 'Whether the player shows its buttons.',
      done: (value) => (value === 'on' ? 'Show the buttons of the player' : 'Hide the buttons of the player'),
    },
    'captions': { label: 'Captions', explain: 'Whether what is said is shown in words.', done: (value) => (value === 'on' ? 'Show captions' : 'Show no captions') },
    'download': { label: 'Download', explain: 'Whether people may take the file away.', done: (value) => (value === 'on' ? 'Offer it for download' : 'Offer no download') },
    'language': { label: 'Language', explain: 'The language in which the provider speaks to visitors.', done: (value) => `Speak ${value}` },
    'theme': { label: 'Theme', explain: 'The provider’s light or dark theme.', done: (value) => `Use the ${value} theme`, words: { light: 'Light', dark: 'Dark' } },
    'accent': { label: 'Accent colour', explain: 'The colour of buttons and lines in the provider’s part.', done: (value) => `Use the accent ${value}` },
    'privacy': {
      label: 'Quieter',
      explain: 'Whether the provider’s quieter address is used: one that keeps nothing in the visitor’s browser.',
      done: (value) => (value === 'on' ? 'Use the provider’s quieter address' : 'Use the provider’s usual address'),
    },
    'zoom': { label: 'Zoom', explain: 'How close in: the larger the number, the closer.', done: (value) => `Zoom to ${value}` },
    'centre': { label: 'Centre', explain: 'The place in the middle: latitude and longitude in degrees.', done: (value) => `Put ${value} in the middle` },
    'view': { label: 'View', explain: 'Which of the provider’s views is shown; each provider has its own words for them.', done: (value) => `Show the view “${value}”` },
    'page': { label: 'Page', explain: 'The page at which the document opens.', done: (value) => `Open page ${value}` },
    'account': { label: 'Account', explain: 'Whose things are shown: the account’s name or number at the provider.', done: (value) => `Show the account “${value}”` },
    'count': { label: 'How many', explain: 'How many items are shown.', done: (value) => `Show ${value}` },
    'delay': { label: 'Waits', explain: 'How long it waits before it shows itself.', done: (value) => `Wait ${value}` },
    'prefill': { label: 'Filled in', explain: 'What stands in the first field before anybody types.', done: (value) => `Fill in “${value}”` },
    'title': { label: 'Title', explain: 'What it is called for people who cannot see it.', done: (value) => `Call it “${value}” for people who cannot see it` },
    'lang': {
      label: 'Spoken in',
      explain: 'The language of what it shows, so that it is read aloud with the right voice.',
      done: (value) => `Say that it is in “${value}”`,
    },
    'width': { label: 'Width', explain: 'How wide it is, in px; the height follows where the shape is known.', done: (value) => `Make it ${value} px wide` },
    'height': { label: 'Height', explain: 'How high it is, in px; the width follows where the shape is known.', done: (value) => `Make it ${value} px high` },
    'tracking': {
      label: 'Tracking',
      explain: 'Whether addresses keep the parameters that only follow people and change nothing of what is shown; off takes them out.',
      done: (value) => (value === 'on' ? 'Keep the parameters that follow people' : 'Take out the parameters that only follow people'),
      words: { off: 'Taken out', on: 'Kept, whatever the rule' },
    },
    'fit': { label: 'Fit', explain: 'Makes it as wide as its place lets it, always in its own shape.', done: () => 'Make it fit its place', words: { shape: 'Fills its place' } },
    'shape': { label: 'Shape', explain: 'The shape to hold, as width to height, where the code does not say it or says it wrongly.', done: (value) => `Hold the shape ${value}` },
    'share': { label: 'Share of the width', explain: 'This share of the width of its place, in per cent.', done: (value) => `Make it ${value} of its place wide` },
    'max-width': { label: 'Never wider than', explain: 'Never wider than this, in px.', done: (value) => `Never wider than ${value} px` },
    'align': {
      label: 'Stands',
      explain: 'Where it stands when its place is wider than it: left, centre or right.',
      done: (value) => `Stand it ${value}`,
      words: { left: 'On the left', centre: 'In the middle', right: 'On the right' },
    },
  },

  byHand: { label: 'Parameter', explain: 'A parameter of the address by the provider’s own name; it wins over every other option.', done: (value) => `Set it to ${value}` },

  expected: {
    'time': () => 'a time such as 1:52, 1:01:52, 112 or 1m52s (minutes and seconds below 60)',
    'time-shorter': () => 'a time below 100 hours',
    'switch': () => 'on or off',
    'number': (f) => {
      const bounds = f.least !== null && f.most !== null ? `from ${f.least} to ${f.most}` : f.least !== null ? `from ${f.least}` : f.most !== null ? `up to ${f.most}` : '';
      return `a ${f.whole ? 'whole ' : ''}number ${bounds}`.trim();
    },
    'choice': (f) => anyOf(String(f.words)),
    'colour': () => 'a colour such as #aa3355',
    'coordinates': () => 'latitude and longitude in degrees, such as 54.3712, -2.1048',
    'ratio': () => 'two whole numbers such as 16:9 or 9:16',
    'text': (f) => `a line of text, at most ${f.most} characters`,
    'language': () => 'a language such as en, de or en-GB',
    'by-hand': (f) => `a name and a value as the provider writes them, at most ${f.most} characters`,
  },

  reasons: {
    'set-parameter': (f) => `${f.done} (${String(f.written).replaceAll(' & ', ' and ')} ${place(f.in)}, ${taken(f.provider)})`,
    'set-span': (f) => `${f.done} (the ${f.half} in ${f.name} ${place(f.in)}, ${taken(f.provider)})`,
    'take-parameter-out': (f) => `${f.done} (${f.name} is taken out of the address)`,
    'set-step': (f) => `${f.done} (${f.written} in the path of the address, ${taken(f.provider)})`,
    'take-step-out': (f) => `${f.done} (its step is taken out of the path of the address)`,
    'set-attribute': (f) => `${f.done} (the attribute ${f.name}, ${taken(f.provider)})`,
    'take-attribute-out': (f) => `${f.done} (the attribute ${f.name} is taken out)`,
    'needs-attribute': (f) => `${f.done} (it needs ${f.name} beside it)`,
    'set-json-member': (f) => `${f.done} (${f.name} in the attribute ${f.attribute}, ${taken(f.provider)})`,
    'set-script-member': (f) => `${f.done} (${f.name} in the options of its script, ${taken(f.provider)})`,
    'allow-permission': (f) => `The frame is allowed ${f.token}, which ${f.option} needs`,
    'use-privacy-host': (f) => `Use the provider’s quieter address (${f.host}, which keeps nothing in the visitor’s browser)`,
    'use-usual-host': (f) => `Use the provider’s usual address (${f.host})`,
    'take-tracking-out': (f) => `${f.name} only follows people; it is taken out`,
    'set-by-hand': (f) => `${f.written} in the address, as you set it by hand`,
    'wins-over': (f) => `it wins over ${String(f.options).replaceAll(', ', ' and ')}`,
    'gives-way-to': (f) => `On the page “${f.option}” wins over it.`,
    'plays-without-sound': () => 'browsers let a video play by itself only without sound',
    'set-title': (f) => `Call it “${f.value}” for people who cannot see it (title)`,
    'set-lang': (f) => `Say that it is in “${f.value}” (lang)`,
    'set-side': (f) => (f.side === 'width' ? `Make it ${f.value} px wide (width)` : `Make it ${f.value} px high (height)`),
    'side-by-shape': (f) =>
      f.side === 'width' ? `${f.value} px wide in the shape ${f.shape} is ${f.other} px high` : `${f.value} px high in the shape ${f.shape} is ${f.other} px wide`,
    'no-gap-below': (f) => `No gap below it (${f.property})`,
    'fills-its-place': (f) => `As wide as its place (${f.property})`,
    'height-follows': (f) => `The height follows the width (${f.property})`,
    'holds-shape': (f) => `The shape ${f.shape} at every width (${f.property})`,
    'no-frame-line': (f) => `No frame line around it (${f.property})`,
    'not-stretched': (f) => `Not stretched by taller neighbours (${f.property})`,
    'share-of-place': (f) => `${f.share} % of the width of its place (${f.property})`,
    'never-wider': (f) => `Never wider than ${f.most} px (${f.property})`,
    'movable-block': (f) => `Only a block can be moved to the middle or the side (${f.property})`,
    'stands-at': (f) => `${standsAt[String(f.where)]} (${f.property})`,
    'box-height-follows': (f) => `The height of the provider’s box follows its width (${f.property})`,
    'box-holds-shape': (f) => `The provider’s box holds its shape ${f.shape} at every width (${f.property})`,
    'box-without-padding': (f) => `Its padding held the shape only at the full width (${f.property})`,
    'gave-way': (f) => `The code’s own ${f.declarations} had to give way.`,
    'mark': () => 'By this a sweep knows which placement it is, and which delivery of its code',
    'carry-mark': () => 'This code has no element that shows anything; by one around it a sweep knows which placement it is, and which delivery of its code',
    'moved-to-head': () => 'The page needs this only once: it stands in its head.',
    'loaded-at': (f) => `The page needs this only once: it stands in ${f.place}.`,
    'as-told': (f) => String(f.sentence),
  },

  problems: {
    'option-unknown': {
      title: 'No such option',
      detail: (f) => `There is no option called “${f.found}”.${f.near ? ` Did you mean “${f.near}”?` : ''}${f.known ? ` There are: ${f.known}.` : ''}`,
    },
    'options-conflict': { title: 'Only one of them', detail: (f) => `${f.setting} and ${f.other} both set the same thing, and not to the same. Take one of them out.` },
    'no-sheet': {
      title: 'Provider not known',
      detail: (f) => `${f.setting} cannot be set: no provider sheet knows this code, so Orbis does not know where its provider takes it.`,
    },
    'setting-not-offered': { title: 'Not offered', detail: (f) => `${f.provider} does not offer ${f.setting}.` },
    'value-not-offered': { title: 'Value not offered', detail: (f) => `${f.provider} does not take that for ${f.setting}; it takes ${f.expected}.` },
    'part-missing': { title: 'Part not there', detail: (f) => `${f.setting} cannot be set: this code has no ${missingParts[String(f.part)] ?? 'frame or player'}.` },
    'clip-order': { title: 'End before start', detail: (f) => `The end (${f.end}) is not after the start (${f.start}). Set an end later than ${f.start}.` },
    'sound-autoplay': { title: 'Sound and autoplay', detail: () => 'Browsers refuse to play by itself what has sound. Leave “muted” on, or take “autoplay” out.' },
    'settings-exclude': { title: 'Only one of them', detail: (f) => `${f.provider} obeys only one of ${f.other} and ${f.setting}. Take one of them out.` },
    'time-beyond': { title: 'Beyond its end', detail: (f) => `It is ${f.length} long: ${f.setting} ${f.at} is beyond its end.` },
    'no-way-to-play': {
      title: 'Nothing starts it',
      detail: () => 'With its buttons hidden nobody can start it. Leave “controls” on, or set autoplay=on, which plays it without sound.',
    },
    'nothing-to-present': { title: 'No frame there', detail: () => 'There is no frame and no player in this code whose look could be changed.' },
    'shape-unknown': { title: 'Shape not known', detail: () => 'Nothing in this code says its shape. Say it: shape=16:9, or shape=9:16 for an upright one.' },
    'own-wrapper': { title: 'Has a box of its own', detail: (f) => `This code brings a box of its own (a ${f.element}) around the frame, which holds its shape. Leave “fit” out.` },
  },

  levels: { placement: 'here', embed: 'from the embed', site: 'from the site', rule: 'from your rules', code: 'in the code' },

  positions: {
    'site-head': 'into the head of every page of the site',
    'page-head': 'into the head of the page',
    'body-start': 'at the beginning of the body of the page',
    'spot': 'at its place',
    'body-end': 'at the end of the body of the page',
  },

  presets: {
    'silent-loop': 'Plays by itself without sound, again and again, without buttons: for a moving background.',
    'fills-its-place': 'As wide as its place, in its own shape, in the middle.',
    'discreet': 'The provider’s quieter address, and nothing in it that follows people.',
  },
} satisfies Language;

/* “light, dark” as “light or dark”. */
const anyOf = (words: string): string => words.replace(/, (?=[^,]*$)/, ' or ');
