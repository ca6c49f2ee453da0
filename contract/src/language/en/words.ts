import type { Language } from '../language.ts';

/** Why a frame is given a sandbox token. */
export const sandboxTokens = {
  'frame-runs-script': () => 'the frame of the provider runs its own script',
  'has-script': () => 'the code has a script',
  'has-loader': () => 'our loader shows it when it is time',
  'needs-its-origin': () =>
    'on a host of its own this only gives back what the provider’s own origin needs: without it its frame has none',
  'has-form': () => 'the code has a form to send',
  'opens-window': () => 'the code opens a window of its own',
  'links-open-tabs': () => 'its links open in a tab of their own',
  'window-works': () => 'what it opens works as any window does',
  'tells-its-height': () => 'a script of ours in it tells the page how high it is',
  'is-for-the-page': () => 'a link or form of it is for the page around it',
  'answer-in-tab': () => 'the answer to its form is to open in a tab',
  'answer-in-page': () => 'the answer to its form is to take the place of the page',
  'answer-in-words': () => 'a script of ours in it sends its form and shows your words',
  'allowed-by-hand': () => 'you allow it',
  'refused-by-hand': () => 'you do not let it',
  'asked-by-code': () => 'the code’s own frame asks for it',
} satisfies Language['sandboxTokens'];

/** What a sandbox token lets a document do. */
export const tokenWords = {
  'allow-scripts': 'run scripts',
  'allow-same-origin': 'have an origin of its own, and keep data there',
  'allow-forms': 'send forms',
  'allow-popups': 'open windows and tabs',
  'allow-popups-to-escape-sandbox': 'open them without the limits of this frame',
  'allow-top-navigation-by-user-activation': 'take visitors away from the page when they click',
  'allow-modals': 'show dialogs',
  'allow-downloads': 'start downloads',
} satisfies Language['tokenWords'];

/** What each way to place a code gives and costs. */
export const frameWays = {
  none: {
    gives: 'In the page itself, with its fonts and colours.',
    costs: 'It can read and change all of the page.',
  },
  enclosed: {
    gives: 'Shut off from the page and from other embeds. Visitors need nothing but your page.',
    costs: 'It keeps no data and has none of the page’s own styles, and a change has to be pasted again.',
  },
  served: {
    gives:
      'Shut off, at a host of its own where it can keep data. Later revisions arrive without pasting again.',
    costs: 'Your visitors must be able to reach Orbis.',
  },
  file: {
    gives: 'Shut off, in a file on your own server.',
    costs: 'It keeps no data, and after a change the file has to be put there again.',
  },
} satisfies Language['frameWays'];

/** Why one way to place a code is recommended. */
export const advice = {
  'frame-cannot': () => 'nothing of it could stand in a frame',
  'keeps-to-itself': () => 'nothing of it reaches beyond its own place on the page',
  'framed-already': () => 'its provider’s own frame keeps it apart from the page already',
  'runs-nothing': () => 'it runs no script',
  'needs-an-origin': () =>
    'it keeps data in the visitor’s browser or shows a frame of its provider, and so needs an origin of its own',
  'frame-for-writes': () =>
    'its script writes into the document while that is read, and would wipe a page that is there already',
  'frame-for-styles': () => 'its style rules would reach the rest of the page',
  'frame-for-claims': (f) =>
    `it takes the name “${f.name}” for itself, so that a second copy on the page would break it`,
  'frame-for-hosts': (f) => `it contacts ${f.count} hosts`,
} satisfies Language['advice'];

/** Where a value comes from. */
export const levels = {
  placement: 'here',
  embed: 'from the embed',
  site: 'from the site',
  rule: 'from your rules',
  code: 'in the code',
} satisfies Language['levels'];

/** What is done in a step of a page’s plan. */
export const planActions = {
  'paste': 'Paste',
  'replace': 'Replace',
  'take-out': 'Take out',
  'already-there': 'Already there',
} satisfies Language['planActions'];

/** Where a snippet is pasted. */
export const positions = {
  'file': 'into a file on your server',
  'site-head': 'into the head of every page of the site',
  'page-head': 'into the head of the page',
  'page-style': 'into the field for style rules (CSS) of the page',
  'page-script': 'into the field for a script of the page',
  'body-start': 'at the beginning of the body of the page',
  'spot': 'at its place',
  'body-end': 'at the end of the body of the page',
} satisfies Language['positions'];

/** Where something is taken out that nothing on a page needs any more. */
export const positionsLeft = {
  'file': 'the file on your server',
  'site-head': 'from the head of every page of the site',
  'page-head': 'from the head of the page',
  'page-style': 'from the field for style rules (CSS) of the page',
  'page-script': 'from the field for a script of the page',
  'body-start': 'from the beginning of the body of the page',
  'spot': 'from its place',
  'body-end': 'from the end of the body of the page',
} satisfies Language['positionsLeft'];

/** What the presets that come with Orbis are for. */
export const presets = {
  'talk':
    'A talk in an article: at most 800 px wide, in the middle, and its provider hears of visitors only once they press play.',
  'moving-background':
    'A moving background: without sound and buttons, it covers a band of 420 px, a little darkened.',
  'upright-clip': 'An upright clip: 9 to 16, at most 360 px wide, in the middle, with round corners.',
  'map-beside-text': 'A map beside text: 4 to 3, at most 480 px wide, with a thin line around it.',
  'form-like-text':
    'A form as wide as the text around it: at most 640 px, in the middle, with some space above.',
  'feed-on-panel': 'Posts on a panel: at most 560 px wide, in the middle, on a light colour.',
  'quiet': 'Loads only when somebody presses its button; until then its provider hears nothing of visitors.',
  'silent-loop': 'Plays by itself without sound, again and again, without buttons: for a moving background.',
  'fills-its-place': 'As wide as its place, in its own shape, in the middle.',
  'discreet': 'The provider’s quieter address, and nothing in it that follows people.',
} satisfies Language['presets'];

/** Every state that a placement can be in, with what it means for its owner. */
export const states = {
  'planned': 'It has never been seen on its page yet.',
  'live': 'It is on its page, as Orbis would hand it out today.',
  'altered': 'It is on its page, but not as Orbis handed it out.',
  'out-of-date':
    'It is on its page, but in an earlier form than Orbis would hand out today, or though it is paused.',
  'missing': 'It was on its page, and no longer is.',
  'unreachable': 'Its page could not be read, which says nothing about it.',
  'paused': 'It is not to stand there for a while; what is asked of it is kept.',
} satisfies Language['states'];

/** What those states are called. */
export const stateNames = {
  'planned': 'planned',
  'live': 'live',
  'altered': 'altered',
  'out-of-date': 'out of date',
  'missing': 'missing',
  'unreachable': 'unreachable',
  'paused': 'paused',
} satisfies Record<keyof typeof states, string>;

/**
 * What joins clauses: the last two of several, what is missing to what there is, and a
 * reason to what was done.
 */
export const joints = {
  and: ' and ',
  andMissing: ', and ',
  because: ', because ',
} satisfies Language['joints'];

/** What each role of a part is, for people who do not know HTML. */
export const roles = {
  loader: 'loads something from elsewhere',
  setup: 'a script of its own',
  style: 'rules for looks',
  mount: 'an empty place that a script fills',
  frame: 'a window onto the provider',
  media: 'a player for a file',
  form: 'a form',
  image: 'a picture',
  link: 'a link',
  fallback: 'for people who cannot see the rest',
  wrapper: 'a box around it',
  text: 'text',
  comment: 'a remark that nobody sees',
} satisfies Language['roles'];

/** How it was found out what a link is. */
export const foundBy = {
  sheet: 'by the sheet of its provider',
  oembed: 'by the answer that its page names (oEmbed)',
  file: 'by the first bytes of the file',
  page: 'as a page that lets itself be shown in a frame',
} satisfies Language['foundBy'];

/** Where a provider's sheet comes from. */
export const sheetOrigins = {
  'built-in': 'built in',
  'own': 'your own',
  'override': 'your own, before the built-in one',
} satisfies Language['sheetOrigins'];

/** Why nobody can tell how high an embed is. */
export const noHeight: Language['noHeight'] = {
  'nothing-shown':
    'It showed nothing that has a height. See in the preview whether it loads, and measure again.',
  'follows-its-frame':
    'What is in its frame makes itself as high as the frame, so it has no height of its own: give it a shape or a height.',
};

/** How often a served frame was shown. */
export const hits: Language['hits'] = ({ since, times, named, elsewhere }) =>
  times === 0
    ? `It was not shown since ${since}, as far as Orbis serves it.`
    : `Shown ${count(times, 'time')} since ${since}, at ${named} ${named === 1 ? 'address' : 'addresses'}${elsewhere > 0 ? `, ${elsewhere} of them not in the register` : ''}.`;

/** Addresses that were not taken for pages. */
export const noPages: Language['noPages'] = ({ elsewhere, question, odd }) => {
  const kinds = [
    elsewhere > 0 ? `${elsewhere} ${elsewhere === 1 ? 'address' : 'addresses'} of other sites` : '',
    question > 0 ? `${question} with a question mark` : '',
    odd > 0 ? `${odd} that no page of the register can have` : '',
  ].filter(Boolean);
  return kinds.length === 0 ? '' : `Left out: ${kinds.join(', ')}.`;
};

/** What a code wants of a host. */
export const contactUses: Language['contactUses'] = {
  script: 'scripts',
  stylesheet: 'style sheets',
  image: 'pictures',
  media: 'films and sound',
  font: 'fonts',
  frame: 'a frame',
  form: 'sending a form',
  fetch: 'data',
  xhr: 'data',
  websocket: 'data',
  eventsource: 'data',
  ping: 'counting',
  other: 'something else',
};

/** That a height is the guess of a sheet. */
export const guessedHeight: Language['guessedHeight'] = (provider, height, because) =>
  `${because} This is a guess: what is ${provider}’s is usually about ${height} px high.`;

const count = (number: number, one: string): string => `${number} ${one}${number === 1 ? '' : 's'}`;

/** What a visitor’s browser does for something. */
export const weight: Language['weight'] = ({ requests, hosts, size, blocked, cookies }) =>
  requests === 0
    ? 'nobody else is asked for anything'
    : [
        `${count(requests, 'request')} to ${count(hosts, 'host')}`,
        size,
        ...(blocked > 0 ? [`the page stands still for ${blocked} ms`] : []),
        cookies === 0 ? 'no cookies' : count(cookies, 'cookie'),
      ].join(', ');

/* What of an element has a colour, and what elements are called, where people have words for them. */
const coloured: readonly (readonly [property: RegExp, called: string])[] = [
  [/^color$|^-webkit-text-fill-color$/, 'text'],
  [/^background/, 'background'],
  [/^(?:border|outline|column-rule)/, 'lines'],
  [/shadow$/, 'shadow'],
  [/^(?:fill|stroke)/, 'drawings'],
];
const elements: Readonly<Record<string, string>> = {
  ':root': 'the page',
  'html': 'the page',
  'body': 'the page',
  'a': 'links',
  'p': 'paragraphs',
  'li': 'lists',
  'input': 'fields',
  'button': 'buttons',
  'header': 'the head of the page',
  'nav': 'the menu',
  'main': 'the content',
  'footer': 'the foot of the page',
  'h1': 'the first heading',
  'h2': 'headings',
  'h3': 'small headings',
};

/* What the last step of a selector means: the element by the name that people have for it, else the name that
   the site’s makers gave (Selectors 4, section 3). */
function meantBy(selector: string): string | null {
  const last = /[^\s>+~,]{1,60}$/.exec(selector.split(',')[0]!.trim())?.[0] ?? '';
  const element = /^:?[a-z][a-z0-9]{0,9}/i.exec(last)?.[0].toLowerCase() ?? '';
  if (Object.hasOwn(elements, element)) return elements[element]!;
  const given = /[.#]([\w-]{1,40})/.exec(last)?.[1];
  return given === undefined ? null : `“${given}”`;
}

/** Where a colour of a site stands. */
export const colourPlace: Language['colourPlace'] = ({ property, selector }) => {
  const what = coloured.find(([shape]) => shape.test(property))?.[1] ?? property;
  const meant = meantBy(selector);
  return meant === null ? what : `${what} of ${meant}`;
};

/** What the parts of a code are called that it could do without. */
export const parts: Language['parts'] = {
  heading: 'Heading',
  notice: 'Notice',
  link: 'Link',
  picture: 'Picture',
  style: 'Style sheet of the provider',
  comment: 'Comment, which nobody sees',
  fallback: 'What is there without scripts',
  field: 'Field',
};

/** Why a code cannot do without a part. */
export const neededParts: Language['neededParts'] = {
  'required-field': 'must be filled in',
  'robot-trap': 'is there for the form itself, and tells robots from people',
};

/** What is said of a weight. */
export const weighed: Language['weighed'] = {
  embed: 'This embed',
  bare: 'As it was pasted',
  then: (loaded, clicked) =>
    clicked === null ? `${loaded}; nothing more after a click` : `${loaded}; after a click ${clicked}`,
};
