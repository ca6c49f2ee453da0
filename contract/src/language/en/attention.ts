import type { Facts, Kind, OnceKind } from '@orbis/core';
import type { Language } from '../language.ts';
import { kindNames } from './kinds.ts';
import { siteHead } from './site-head.ts';

/* What an owner calls what tags stand for. */
const elements: Readonly<Record<string, string>> = {
  iframe: 'the frame',
  script: 'a script',
  style: 'the style rules',
  div: 'a box',
  p: 'a paragraph',
  a: 'a link',
  img: 'a picture',
  form: 'the form',
  input: 'a field of the form',
  button: 'a button',
  video: 'the video',
  audio: 'the sound',
  source: 'the file',
  blockquote: 'the quotation',
  noscript: 'what is shown where scripts are off',
  template: 'what waits for a click',
};

/* What attributes are for, where their name does not say so. */
const meanings: Readonly<Record<string, string>> = {
  'allow': 'what it may do',
  'sandbox': 'what it may not do',
  'allowfullscreen': 'that it may fill the screen',
  'src': 'what it shows',
  'style': 'how it looks',
  'class': 'by which styles know it',
  'id': 'by which scripts find it',
  'title': 'what it is called',
  'loading': 'when it loads',
  'referrerpolicy': 'what its provider learns of the page',
  'action': 'where it sends to',
  'href': 'where it leads',
  'async': 'that it waits for nothing',
  'data-orbis': 'by which a sweep knows it',
};

const element = (name: unknown): string => elements[String(name)] ?? `<${String(name)}>`;
const attribute = (name: unknown): string => {
  const meaning = meanings[String(name)];
  return meaning === undefined ? `“${String(name)}”` : `“${String(name)}” (${meaning})`;
};
const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
const quoted = (text: unknown): string => (text === '' ? 'nothing' : `“${String(text)}”`);

/** What is otherwise on a page than it was handed out. */
export const differences = {
  'attribute-gone': (f) => `${attribute(f.name)} was taken out of ${element(f.element)}.`,
  'attribute-changed': (f) =>
    `${attribute(f.name)} of ${element(f.element)} is ${quoted(f.is)} instead of ${quoted(f.was)}.`,
  'attribute-added': (f) => `${attribute(f.name)} was added to ${element(f.element)}.`,
  'element-gone': (f) => `${upper(element(f.element))} was taken out.`,
  'element-added': (f) => `${upper(element(f.element))} was put in.`,
  'program-changed': (f) => `What stands in ${element(f.element)} is otherwise.`,
  'text-changed': (f) => `The words are ${quoted(f.is)} instead of ${quoted(f.was)}.`,
  'text-gone': (f) => `The words ${quoted(f.was)} were taken out.`,
  'text-added': (f) => `The words ${quoted(f.is)} were put in.`,
  'and-more': (f) =>
    f.count === 1 ? 'One more thing is otherwise.' : `${f.count} more things are otherwise.`,
} satisfies Language['differences'];

/* What belongs to an embed beside the code in its spot. */
const belonging = ({ what, host }: Facts): string =>
  ({
    script: host === '' ? 'a script' : `a script from ${host}`,
    style: 'its style rules',
    link: host === '' ? 'its style rules' : `its style rules from ${host}`,
  })[String(what)] ?? 'a piece of its code';

const where: Readonly<Record<string, string>> = {
  'page-head': 'in the head of the page',
  'site-head': 'in the head of every page',
  'body-start': 'at the beginning of the page',
  'body-end': 'at the end of the page',
  'page-style': 'in the field for style rules',
  'page-script': 'in the field for a script',
};

const calledInHead = ({ what, name }: Facts): string =>
  siteHead.called({ what: what as OnceKind, name: String(name) });

/** What sweeps find on pages and sites beside the states of placements. */
export const attentionFindings = {
  'unregistered': {
    message: (f) => {
      const from = f.host === '' ? '' : ` from ${f.host}`;
      return `${upper(kindNames[f.kind as Kind].one)}${from} is on the page, and the register does not know it: “${f.name}”.`;
    },
    remedy: () => 'Collect it and place it here; or say that it is not to be told again.',
  },
  'moved': {
    message: (f) => `${f.embed} is on this page. By the register it is in ${f.place}, where it is not seen.`,
    remedy: () => 'Move its placement here, or put the code back.',
  },
  'copied': {
    message: (f) => `${f.embed}, which is placed in ${f.place}, is on this page as well.`,
    remedy: () => 'Place it here too, so that it is looked after; or take it out.',
  },
  'head-missing': {
    message: (f) =>
      `It needs ${belonging(f)}, ${where[String(f.position)]}, and that is not on the page: visitors may see nothing of it.`,
    remedy: () => 'Paste it where the plan of the page says.',
  },
  'head-left-over': {
    message: (f) => `Nothing on the page needs ${belonging(f)} any more, and it is still there.`,
    remedy: () => 'Take it out of the page.',
  },
  'page-redirects': {
    message: (f) =>
      f.permanent === true
        ? `The page has moved: it leads on to ${f.to}.`
        : `The page leads on to ${f.to}, for now. What is seen is the page there.`,
    remedy: (f) =>
      f.permanent === true ? 'Give the page its new address.' : 'See whether that is meant to be so.',
  },
  'built-by-scripts': {
    message: () =>
      'The page is empty until its scripts have run. What is on it cannot be seen without a browser.',
    remedy: (f) =>
      f.rendered === true
        ? 'See that it opens in a browser: also there nothing is to be seen.'
        : 'Have its site looked at with a browser where something is not seen; that is said with the site.',
  },
  'site-out-of-date': {
    message: (f) =>
      f.count === 1
        ? 'One placement on this site is out of date.'
        : `${f.count === f.most ? `${f.count} or more` : f.count} placements on this site are out of date.`,
    remedy: () => 'Paste their new codes; a list of the pages can be made to tick them off.',
  },
  'site-head-missing': {
    message: (f) => `${calledInHead(f)} is meant for the head of every page, and ${f.page} does not have it.`,
    remedy: () => 'Paste it into the head of the whole site.',
  },
  'site-head-left-over': {
    message: (f) => `${calledInHead(f)} is still in the head of every page, and no page needs it any more.`,
    remedy: () => 'Take it out of the head of the whole site.',
  },
} satisfies Language['findings'];

/** What findings are called, in a word or two, where they are counted. */
export const findingTitles = {
  'missing': 'Missing',
  'altered': 'Altered',
  'doubled': 'There twice',
  'shown-as-text': 'Shown as text',
  'unregistered': 'Not in the register',
  'moved': 'On another page',
  'copied': 'Copied to another page',
  'head-missing': 'Needs something more',
  'head-left-over': 'Left over',
  'loader-missing': 'Without its script',
  'loader-repeated': 'Loaded twice',
  'claims-collide': 'In each other’s way',
  'page-unreachable': 'Cannot be read',
  'page-redirects': 'Leads elsewhere',
  'built-by-scripts': 'Built by scripts',
  'site-out-of-date': 'Out of date',
  'site-head-missing': 'Missing in the head',
  'site-head-left-over': 'Left over in the head',
  'contract-over': 'Contract over',
  'contract-ends': 'Contract ends',
  'views-used-up': 'Views used up',
  'views-run-short': 'Few views left',
  'file-altered': 'File altered',
  'file-unreachable': 'File cannot be read',
  'retired': 'Retired, still there',
  'paused-stands': 'Paused, still there',
  'block-not-everywhere': 'Not on every page',
  'too-much': 'Too large to read',
} satisfies Language['findingTitles'];
