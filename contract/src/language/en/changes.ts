import type { Facts } from '@orbis/core';
import type { Language } from '../language.ts';
import { sandboxTokens, tokenWords } from './words.ts';

const taken = (provider: unknown): string =>
  typeof provider === 'string' ? `as ${provider} takes it` : 'as browsers take it';
const place = (position: unknown): string =>
  position === 'fragment' ? 'in the fragment of the address' : 'in the address';
const standsAt: Record<string, string> = {
  left: 'On the left of its place',
  centre: 'In the middle of its place',
  right: 'On the right of its place',
};

/** What a value could have been. */
export const expected = {
  'time': () => 'a time such as 1:52, 1:01:52, 112 or 1m52s (minutes and seconds below 60)',
  'time-shorter': () => 'a time below 100 hours',
  'switch': () => 'on or off',
  'number': (f) => {
    const bounds =
      f.least !== null && f.most !== null
        ? `from ${f.least} to ${f.most}`
        : f.least !== null
          ? `from ${f.least}`
          : f.most !== null
            ? `up to ${f.most}`
            : '';
    return `a ${f.whole ? 'whole ' : ''}number ${bounds}`.trim();
  },
  'choice': (f) => anyOf(String(f.words)),
  'colour': () => 'a colour such as #aa3355, or its name in CSS',
  'coordinates': () => 'latitude and longitude in degrees, such as 54.3712, -2.1048',
  'ratio': () => 'two whole numbers such as 16:9 or 9:16',
  'text': (f) => `a line of text, at most ${f.most} characters`,
  'length': () => 'a length such as 12px, 1.5rem or 50%',
  'address': () => 'the whole address of a page or file, such as https://hollinfell.localhost/thanks',
  'picture': () => 'the whole address of a picture, such as https://hollinfell.localhost/mirror.jpg',
  'heights': (f) => `up to ${f.most} widths with their heights in px, such as 320:872, 800:392 on 2026-11-27`,
  'list': (f) =>
    `up to ${f.most} words or phrases with commas between them, each of at most ${f.length} characters`,
  'language': () => 'a language such as en, de or en-GB',
  'by-hand': (f) => `a name and a value as the provider writes them, at most ${f.most} characters`,
} satisfies Language['expected'];

/** Why something was changed. */
export const reasons = {
  'set-parameter': (f) =>
    `${f.done} (${String(f.written).replaceAll(' & ', ' and ')} ${place(f.in)}, ${taken(f.provider)})`,
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
  'use-privacy-host': (f) =>
    `Use the provider’s quieter address (${f.host}, which keeps nothing in the visitor’s browser)`,
  'use-usual-host': (f) => `Use the provider’s usual address (${f.host})`,
  'take-tracking-out': (f) => `${f.name} only follows people; it is taken out`,
  'set-by-hand': (f) => `${f.written} in the address, as you set it by hand`,
  'wins-over': (f) => `it wins over ${String(f.options).replaceAll(', ', ' and ')}`,
  'gives-way-to': (f) => `On the page “${f.option}” wins over it.`,
  'plays-without-sound': () => 'browsers let a video play by itself only without sound',
  'set-title': (f) => `Call it “${f.value}” for people who cannot see it (title)`,
  'set-lang': (f) => `Say that it is in “${f.value}” (lang)`,
  'set-side': (f) =>
    f.side === 'width' ? `Make it ${f.value} px wide (width)` : `Make it ${f.value} px high (height)`,
  'side-by-shape': (f) =>
    f.side === 'width'
      ? `${f.value} px wide in the shape ${f.shape} is ${f.other} px high`
      : `${f.value} px high in the shape ${f.shape} is ${f.other} px wide`,
  'no-gap-below': (f) => `No gap below it (${f.property})`,
  'fills-its-place': (f) => `As wide as its place (${f.property})`,
  'height-follows': (f) => `The height follows the width (${f.property})`,
  'holds-shape': (f) => `The shape ${f.shape} at every width${sums(f)} (${f.property})`,
  'no-frame-line': (f) => `No frame line around it (${f.property})`,
  'not-stretched': (f) => `Not stretched by taller neighbours (${f.property})`,
  'share-of-place': (f) => `${f.share} % of the width of its place (${f.property})`,
  'never-wider': (f) => `Never wider than ${f.most} px (${f.property})`,
  'never-narrower': (f) => `Never narrower than ${f.least} px (${f.property})`,
  'rounded-corners': (f) => `Its corners are rounded by ${f.radius} px (${f.property})`,
  'clipped-at-corners': (f) => `What is in it ends at the corners too (${f.property})`,
  'line-around': (f) => `A line of ${f.width} px around it (${f.property})`,
  'line-within-width': (f) => `The line counts as a part of its width (${f.property})`,
  'colour-needs-line': () => 'a colour needs a line to be seen',
  'casts-shadow': (f) => `A ${f.name} shadow on the page (${f.property})`,
  'movable-block': (f) => `Only a block can be moved to the middle or the side (${f.property})`,
  'stands-at': (f) => `${standsAt[String(f.where)]} (${f.property})`,
  'box-height-follows': (f) => `The height of the provider’s box follows its width (${f.property})`,
  'box-holds-shape': (f) => `The provider’s box holds its shape ${f.shape} at every width (${f.property})`,
  'box-without-padding': (f) => `Its padding held the shape only at the full width (${f.property})`,
  'fills-its-height': (f) => `As high as what it stands in (${f.property})`,
  'as-wide-as-said': (f) => `${f.width} px wide, and no wider than its place (${f.property})`,
  'as-high-as-said': (f) => `${f.height} px high (${f.property})`,
  'high-until-told': (f) => `${f.height} px high until it says how high it is (${f.property})`,
  'height-told': (f) =>
    `As high as it says itself, as ${f.provider} has its frames say (a mark for our script)`,
  'never-over-the-side': (f) => `On a narrower screen no wider than its place (${f.property})`,
  'places-what-is-in-it': (f) => `What is laid over it keeps to it (${f.property})`,
  'laid-over-box': (f) => `It fills its box (${f.property})`,
  'space-at': (f) => `${f.space} px of space ${spaceAt[String(f.where)]} (${f.property})`,
  'no-margin-of-browsers': (f) =>
    `Browsers give a figure space of their own, which is taken away (${f.property})`,
  'held-together': () => 'An element around it and what stands above and below it',
  'held-as-figure': () => 'With its caption it is a figure, so that people hear that they belong together',
  'heading-above': (f) => `A heading of level ${f.level} above it`,
  'caption-below': () => 'A caption below it',
  'link-below': (f) => `A link to ${f.to} below it`,
  'link-to-content': (f) => `A link to the content itself (${f.to}), for whoever sees nothing there`,
  'link-over-all': (f) => `A link to ${f.to} over all of it`,
  'out-of-reach': () => 'What is under the link cannot be pressed or reached by key (inert)',
  'tinted': (f) => `${f.colour} over it, ${f.strength} % strong; presses go through it`,
  'words-on-top': () => 'Words on top of it; presses go through them',
  'covers-band': (f) => `It covers a band of ${f.height} px at every width (${f.property})`,
  'focus-in-band': (f) => `What is ${f.x} % across and ${f.y} % down in it stays in sight (${f.property})`,
  'behind-section': (f) => `It lies behind all of the section that it stands in (${f.property})`,
  'for-the-eye-only': () => 'It is there for the eye only: people who cannot see it are not told of it',
  'still-for-less-motion': (f) => `People who ask for less motion do not see it move (${f.property})`,
  'moving-background': () => 'a moving background plays without sound, again and again',
  'panel-around': () => 'A panel behind all of it',
  'panel-as-high': (f) => `The panel is as high as what is on it (${f.property})`,
  'panel-colour': (f) => `The panel is ${f.colour} (${f.property})`,
  'padding-around': (f) => `${f.padding} px between it and the edge of the panel (${f.property})`,
  'padding-within-width': (f) => `Its edge counts as a part of its width (${f.property})`,
  'readable-on': (f) => `Words on ${f.colour} are easy to read in this colour (${f.property})`,
  'reaches-page-edges': (f) => `Its colour goes on to both sides of the window (${f.property})`,
  'stage-around': () => 'A box around it has its place and its shape',
  'room-around': () => 'A box around it keeps its room free',
  'one-cell': (f) => `What keeps the room and what fills it lie in one cell (${f.property})`,
  'in-the-cell': (f) => `It fills the room that is kept (${f.property})`,
  'room-as-measured': (f) =>
    `As high as it was measured at ${f.widths} ${f.widths === 1 ? 'width' : 'widths'}${f.measured === null ? '' : `, on ${f.measured}`}`,
  'still-behind-smaller': (f) =>
    `Browsers that know smaller types of the picture load one of them (${f.property})`,
  'kept-apart': () => 'An element of ours around the code itself',
  'shows-part': (f) =>
    `Only a part of it is shown: ${f.width} by ${f.height} px, from ${f.left} px on the left and ${f.top} px at the top (${f.property})`,
  'clipped-to-part': (f) => `The rest of it is not seen (${f.property})`,
  'scaled': (f) => `Shown at ${f.scale} % (${f.property})`,
  'left-out': (f) => `${f.name} is left out, as you asked`,
  'loads-when-near': (f) => `Browsers fetch it only when it is needed (${f.name})`,
  'loads-at-once': (f) => `Browsers fetch it at once (${f.name} is taken out)`,
  'waits-in-template': () => 'The code waits in a template, in which browsers fetch and run nothing',
  'waits-for-click': () => 'Our loader shows it when its button is pressed',
  'waits-for-near': () => 'Our loader shows it when it comes near on the screen',
  'waits-for-allow': () => 'Our loader shows it when the page allows it, or its button is pressed',
  'named-for-page': () => 'By these words a page can allow it',
  'remembered-for-visit': () => 'Pressed once, others from this provider are shown too, for this visit',
  'room-for-button': (f) => `Room for the button (${f.property})`,
  'stands-in-click': () => 'What stands there until its button is pressed',
  'stands-in-near': () => 'What stands there until it comes near',
  'stands-in-allow': () => 'What stands there until the page allows it',
  'loader-once': () => 'Our loader, which the page needs once: it shows codes that wait',
  'framed-enclosed': () =>
    'It stands in a document of its own, within what is pasted, and is shut off from the page',
  'framed-served': () =>
    'It stands in a document of its own that Orbis serves: later revisions arrive without pasting again',
  'framed-file': () => 'It stands in a document of its own, in a file on your server',
  'document-of-file': (f) => `The document that stands in the file at ${f.address}`,
  'frame-may': (f) =>
    `Its frame lets it ${tokenWords[f.token as keyof typeof tokenWords]}: ${sandboxTokens[f.why as keyof typeof sandboxTokens]()}`,
  'answer-shown-in-frame': () => 'The answer to the form is shown where the form is (target)',
  'answer-shown-in-tab': () => 'The answer to the form is shown in a tab of its own (target)',
  'answer-shown-in-page': () => 'The answer to the form takes the place of the page (target)',
  'answer-shown-as-words': () => 'Your words, which are shown when the form was sent, or could not be',
  'answer-script': () => 'A small script of ours that sends the form and shows your words',
  'listener-once': () =>
    'A small script of ours, which the page needs once: it makes the frame as high as what is in it',
  'poster': () => 'The picture that is shown until the film begins (poster)',
  'still-behind': (f) => `The picture is behind it until it is there (${f.property})`,
  'still-printed': (f) => `The picture behind it is printed (${f.property})`,
  'still-instead': (f) => `It leaves its place to the picture (${f.property})`,
  'link-instead': (f) => `It leaves its place to the link (${f.property})`,
  'box-around': () => 'A box around it has the width and the place, as this code has no frame and no player',
  'class-for-rules': () => 'By this the rules in the head of the page find it',
  'rules-apart': () => 'What holds on some screens only cannot stand in the code itself.',
  'gave-way': (f) => `The code’s own ${f.declarations} had to give way.`,
  'mark': () => 'By this a sweep knows which placement it is, and which delivery of its code',
  'carry-mark': () =>
    'This code has no element that shows anything, so one is put around it: by that a sweep knows which placement it is, and which delivery of its code',
  'moved-to-head': () => 'The page needs this only once: it stands in its head.',
  'moved-to-site-head': () => 'Many pages need this: it stands once in the head of the whole site.',
  'moved-to-field': () => 'The page needs this only once: it stands in a field of its own.',
  'bare-field': (f) => `The field takes what stands in it without its element (${f.name})`,
  'loaded-at': (f) => `The page needs this only once: it stands in ${f.place}.`,
  'editor-takes-out': (f) => `The site’s editor would take this out (${f.name})`,
  'editor-line': () => 'The site’s editor wants this line with a code; visitors do not see it',
  'editor-companion': () =>
    'The page needs this once, so that the site’s editor makes embeds of what is pasted',
  'pasted-link': () => 'A link to what Orbis serves for it: the site’s editor makes of it what visitors see',
  'linked-picture': () =>
    'Its picture, as a link to what it shows: the site’s editor lets no code and no frame through',
  'link-in-words': () => 'A link to what it shows, as the site’s editor lets no code and no frame through',
  'words-alone': () => 'Words alone, as nobody knows where visitors find what it shows',
  'as-told': (f) => String(f.sentence),
} satisfies Language['reasons'];

/* “: 800 wide makes 450 high”, where it is known how wide it can be. */
const sums = ({ wide, high, exactly }: Facts): string =>
  wide === undefined
    ? ''
    : exactly === undefined
      ? `: ${wide} wide makes ${high} high`
      : `: ${wide} wide makes ${exactly} high, so ${high}`;

const spaceAt: Readonly<Record<string, string>> = {
  above: 'above it',
  below: 'below it',
  beside: 'on both sides of it',
};

/* “light, dark” as “light or dark”. */
const anyOf = (words: string): string => words.replace(/, (?=[^,]*$)/, ' or ');
