import type { Language } from '../language.ts';
import type { Condition, Facts } from '@orbis/core';
import { attentionFindings } from './attention.ts';
import { loadedFindings } from './loaded.ts';
import { seenFindings } from './looks.ts';
import { conditions } from './options.ts';
import { problems } from './problems.ts';
import { termsFindings } from './terms.ts';

/* An option that holds everywhere, and does more where something holds; `max-width.phone` is all of it. */
const onlySometimes = ({ when, option }: Facts): boolean =>
  when !== undefined && !String(option).endsWith(`.${when}`);

/* What is handed out instead of what was asked for, as a clause. */
const editorForms = {
  asked: 'it is handed out as you asked',
  enclosed: 'it is handed out in a frame that holds it',
  served: 'it is handed out in a frame that Orbis serves',
  link: 'a link alone is handed out, of which the editor makes what visitors see',
  picture: 'only its picture is handed out, as a link to it',
  words: 'only a link in words is handed out',
};

/* What the site’s editor takes out of each stronger form, as clauses. */
const lostWays = ({ names, enclosed, served }: Facts): string[] => [
  names === ''
    ? 'the site’s editor takes nothing else'
    : `the site’s editor takes ${names} out of what you asked for`,
  ...(enclosed ? [`${enclosed} out of a frame that holds it`] : []),
  ...(served ? [`${served} out of a frame that Orbis serves`] : []),
];

/* What embeds claim for themselves. */
const claims = {
  id: 'id',
  global: 'global name',
  field: 'form field',
  listener: 'event',
  style: 'style rule',
};

/* On which screens, the narrowest first; the width that is said is that of the first. */
const onDevices = ({ devices }: Facts, tooMuch: string): string =>
  ({
    'phone': 'on phones',
    'phone tablet': `on phones (and on tablets it is ${tooMuch} as well)`,
    'phone tablet desktop': `on phones (and on wider screens it is ${tooMuch} as well)`,
    'tablet': 'on tablets',
    'tablet desktop': `on tablets (and on wider screens it is ${tooMuch} as well)`,
    'desktop': 'on wide screens',
    'phone desktop': `on phones (and on wide screens it is ${tooMuch} as well)`,
  })[String(devices)]!;

/** What each rule found, and what to do. */
export const findings = {
  'too-much': {
    message: (f) =>
      f.what === 'surrogate'
        ? `The character at position ${f.offset} is half of one: the text was cut or copied wrongly.`
        : f.what === 'length'
          ? `This has ${f.found} characters; Orbis reads at most ${f.most}.`
          : f.what === 'nesting'
            ? `Its elements are nested deeper than ${f.most}, where browsers stop as well.`
            : `One of its elements has more than ${f.most} attributes.`,
    remedy: () => 'Copy the code from the provider once more, and paste only the code.',
  },
  'visible-code': {
    message: () =>
      'This is a code that was copied as text: visitors would read it instead of seeing the embed.',
    remedy: () => 'Copy it from the provider’s own field once more, as plain text.',
  },
  'cut-off': {
    message: (f) =>
      f.open === 'tag'
        ? 'The text ends in the middle of a tag, so a part of the code is missing.'
        : `The ${f.open} is never closed, so it swallows what follows it on the page.`,
    remedy: () => 'Copy the whole code from the provider once more, to its very end.',
  },
  'curly-quotes': {
    message: () =>
      'There are typographic quotes around values: browsers take them for a part of the value, so addresses and sizes are wrong.',
    remedy: () => 'Let Orbis make them straight, or copy the code as plain text.',
  },
  'odd-blank': {
    message: () =>
      'There are blanks in its tags that only look like blanks: browsers take them for a part of a name.',
    remedy: () => 'Let Orbis make them plain, or copy the code as plain text.',
  },
  'escaped-twice': {
    message: (f) => `“&amp;” is written twice over in an address, so ${f.names} is not understood.`,
    remedy: () => 'Let Orbis write it once.',
  },
  'unmatched-style': {
    message: (f) =>
      `A ${f.where} looks for “${f.found}”, which nothing here is called; “${f.meant}” is close to it.`,
    remedy: (f) => `Write “${f.meant}” there, or change the name of the element.`,
  },
  'sample-value': {
    message: (f) =>
      f.placeholder === ''
        ? f.value === ''
          ? 'An address is empty: there is nothing to show.'
          : `“${f.value}” has no https:// before it: the page’s own site would be asked for it.`
        : `“${f.placeholder}” in ${f.attribute} looks like a sample that was never replaced.`,
    remedy: (f) =>
      f.placeholder === '' && f.value !== ''
        ? 'Write https:// before it.'
        : 'Put your own value in its place: the provider says where to find it.',
  },
  'wrong-element': {
    message: (f) =>
      f.why === 'named-as-attribute'
        ? `<${f.element}> is the name of an attribute, not of an element: nothing is shown.`
        : f.why === 'outside-media'
          ? 'A source stands outside any player, so nothing plays it.'
          : f.why === 'film-in-picture'
            ? 'A film or a sound stands where a picture belongs: nothing is shown.'
            : `The element ${f.element} takes no address in that attribute, so nothing is shown.`,
    remedy: () =>
      'Copy the code from the provider once more; the tag that shows something is missing or was changed.',
  },
  'misspelt': {
    message: (f) => `There is no ${f.what} “${f.found}”; “${f.meant}” is probably meant.`,
    remedy: (f) => `Write “${f.meant}”.`,
  },
  'value-on-presence': {
    message: (f) =>
      f.off
        ? `${f.attribute}="${f.value}" switches it on all the same: browsers only look whether the word is there.`
        : `${f.attribute}="${f.value}" works, but only because the word is there: “false” would switch it on as well.`,
    remedy: (f) =>
      f.off ? `Take “${f.attribute}” out to switch it off.` : `“${f.attribute}” alone is enough.`,
  },
  'not-inline': {
    message: () => 'It plays by itself, but phones open the full screen for it.',
    remedy: () => 'Add playsinline.',
  },
  'no-way-to-play': {
    message: () => 'It has no buttons and does not play by itself: nobody can start it.',
    remedy: () => 'Show the buttons, or let it play by itself without sound.',
  },
  'no-fallback': {
    message: (f) => `There is nothing in the ${f.element} for people whose browser cannot show it.`,
    remedy: () => 'Put a link to the same thing between its tags.',
  },
  'old-attribute': {
    message: (f) => `${f.what} ${String(f.what).includes(',') ? 'are' : 'is'} no longer part of HTML.`,
    remedy: () => 'It does no harm; a newer code of the provider may do without.',
  },
  'active-attribute': {
    message: (f) =>
      `The element ${f.element} carries a script in ${f.attribute}: many sites and editors forbid that.`,
    remedy: () => 'Ask the provider for a code without it, or put the embed into a frame of its own.',
  },
  'writes-document': {
    message: () =>
      'Its script writes into the page while the page is loading: loaded late, it wipes the page, or shows nothing.',
    remedy: () => 'Put it into a frame of its own.',
  },
  'blocks-page': {
    message: () => 'The page waits for this script before it shows what comes after it.',
    remedy: () => 'Ask the provider whether it works with async or defer.',
  },
  'tracking': {
    message: (f) =>
      f.what === 'pixel'
        ? 'It has a picture of one pixel, which only tells somebody that the page was opened.'
        : `The parameter ${f.name} only follows people from page to page.`,
    remedy: () => 'It may be taken out; what is shown does not change.',
  },
  'global-style': {
    message: (f) => `Its style rules reach the rest of your page: ${f.selectors}.`,
    remedy: () => 'Put it into a frame of its own, or ask the provider for narrower rules.',
  },
  'half-code': {
    message: (f) =>
      f.missing === 'mount'
        ? 'This is half of a code: a script, without the element that it should fill.'
        : 'This is half of a code: a place that a script should fill, without that script.',
    remedy: (f) =>
      f.missing === 'mount'
        ? 'Copy the other half too: the short element for the place itself.'
        : 'Copy the other half too; the provider may have told you to put it into the head of the page.',
  },
  'several-embeds': {
    message: (f) => `There are ${f.count} embeds in this code.`,
    remedy: () => 'Collect each as an embed of its own, so that it can be placed and changed by itself.',
  },
  'shape-mismatch': {
    message: (f) =>
      `${f.width} by ${f.height} is not the shape of its content (${f.shape}): there will be black bars.`,
    remedy: (f) => `Make it ${f.wanted} high, or set fit=shape with shape=${f.shape}.`,
  },
  'duplicate-parameter': {
    message: (f) =>
      `The parameter ${f.parameter} is there twice, with different values: only one of them counts.`,
    remedy: () => 'Take out the one that you do not mean.',
  },
  'second-question-mark': {
    message: (f) =>
      f.parameter === ''
        ? 'The parameters of this address never begin: there is no question mark before the first.'
        : String(f.value).includes('?')
          ? `After ${f.parameter} there is a second question mark: what follows it is not read.`
          : `The value of ${f.parameter} runs into the next parameter: “${f.value}”.`,
    remedy: (f) =>
      f.parameter === ''
        ? 'Write ? in the place of the first &.'
        : String(f.value).includes('?')
          ? 'Write & in its place.'
          : 'Write & between the value and the next name.',
  },
  'space-in-address': {
    message: () => 'There are blanks in or around an address.',
    remedy: () => 'Take them out; an address has none.',
  },
  'file-type': {
    message: (f) =>
      f.why === 'mismatch'
        ? `The file ends in .${f.ending}, but the code says that it is ${f.stated}.`
        : `Files ending in .${f.ending} are not played by every browser.`,
    remedy: (f) =>
      f.why === 'mismatch'
        ? `Say type="${f.usual}", or leave the type out.`
        : 'Offer it as MP4 or WebM too (sound: MP3 or M4A).',
  },
  'not-fully-read': {
    message: (f) =>
      `A ${f.element} in it is too long or too broken to be read whole: what it does may be more than is said here.`,
    remedy: () => 'Trust it as much as you trust its provider.',
  },
  'hidden-field': {
    message: (f) => `The field ${f.name ?? ''} is a trap for robots that people do not see.`,
    remedy: () => 'Keep it: without it the form may be refused.',
  },
  'insecure': {
    message: (f) => `The address ${f.url} begins with http:, which browsers block on secure pages.`,
    remedy: () => 'Ask the provider for a code with https:.',
  },
  'active-address': {
    message: (f) => `The ${f.use} address is itself a program that would run in your own page.`,
    remedy: () => 'Do not use this code unless you know its author; providers have no need of it.',
  },
  'no-title': {
    message: () => 'The frame has no name: people who cannot see it are not told what is in it.',
    remedy: () => 'Give it a title that says what it shows.',
  },
  'clip-order': {
    message: (f) => `The clip ends (${f.to} s) before it begins (${f.from} s), so nothing is played.`,
    remedy: () => 'Set an end that is later than the start.',
  },
  'clip-beyond': {
    message: (f) =>
      f.what === 'start'
        ? `The clip begins at ${f.at} s, and the whole is only ${f.length} s long: nothing is shown.`
        : `The clip is to end at ${f.at} s, and the whole is only ${f.length} s long.`,
    remedy: (f) => `Set times below ${f.length} s.`,
  },
  'loader-repeated': {
    message: (f) =>
      `${f.url} is loaded ${f.times} times on this page; once is enough, and some programs break when they run twice.`,
    remedy: () => 'Keep the first one, and take the others out.',
  },
  'loader-missing': {
    message: (f) =>
      `“${f.named}” is a place that a script should fill, and there is no such script on the page: visitors see nothing there.`,
    remedy: () => 'Paste the provider’s script as well; the site’s editor may have taken it away.',
  },
  'not-carried': {
    message: (f) =>
      `At ${f.place}, ${f.option} is not carried${onlySometimes(f) ? ` ${conditions[f.when as Condition]}` : ''}. ${problems[f.why as 'needs-page-head' | 'code-insists' | 'served-needs-place'].detail(f)}`,
    remedy: (f) =>
      f.why === 'needs-page-head'
        ? `If the site has no such way, ${onlySometimes(f) ? 'all else of the option holds there' : 'take the option out'}.`
        : f.why === 'served-needs-place'
          ? 'Until then, have it enclosed (frame=enclosed) where it can be.'
          : 'Take that mark out of the code, or take the option out.',
  },
  'editor-form': {
    message: (f) =>
      `At ${f.place}, ${editorForms[f.form as keyof typeof editorForms]}: ${lostWays(f).join(', and ')}.`,
    remedy: (f) =>
      f.form === 'words' || f.form === 'picture'
        ? 'If the editor has a field that takes codes, paste it there, and say so in the site’s editor rules.'
        : 'Nothing needs to be done. If the editor lets more through by now, learn its rules again.',
  },
  'editor-takes-out': {
    message: (f) =>
      `At ${f.place}, ${f.names} ${String(f.names).includes(', ') ? 'are' : 'is'} left out, as the site’s editor would take ${String(f.names).includes(', ') ? 'them' : 'it'} out: it works without, but may look, or be called, otherwise.`,
    remedy: () => 'See on the published page whether it does what it should.',
  },
  'editor-fixes-height': {
    message: (f) =>
      `At ${f.place}, its frame keeps one height: the site’s editor takes out what would make it as high as what is in it.`,
    remedy: () =>
      'Measure its heights (heights), or choose one (fit=fixed, height), so that nothing is cut off.',
  },
  'editor-lets-nothing-through': {
    message: (f) =>
      `At ${f.place}, the site’s editor lets nothing of it through that would do: it takes ${f.names} out, and links as well.`,
    remedy: () => 'Place it on a site, or in a field of this editor, that takes codes.',
  },
  'too-many-hosts': {
    message: (f) =>
      `What is placed on this page makes visitors’ browsers contact ${f.count} hosts; you wanted at most ${f.most}.`,
    remedy: () => 'Have some of it wait for a click (load=click), or place it on another page.',
  },
  'too-many-scripts': {
    message: (f) => `What is placed on this page brings ${f.count} scripts; you wanted at most ${f.most}.`,
    remedy: () => 'Put some of it into frames of their own, or on another page.',
  },
  'too-heavy': {
    message: (f) =>
      `What is placed on this page makes visitors’ browsers load ${f.kilobytes} kB before they do anything; you wanted at most ${f.most} kB.${Number(f.unknown) > 0 ? ` ${f.unknown === 1 ? 'One more embed was' : `${f.unknown} more embeds were`} never weighed.` : ''}`,
    remedy: () => 'Have some of it wait for a click (load=click), or place it on another page.',
  },
  'not-weighed': {
    message: (f) =>
      `Nobody knows how much ${f.count === 1 ? 'one embed' : `${f.count} embeds`} on this page ${f.count === 1 ? 'makes' : 'make'} browsers load, so whether it is more than the ${f.most} kB that you want is not known either.`,
    remedy: () => 'Weigh each of them once; that needs the browser Chromium where Orbis runs.',
  },
  'site-head-too-early': {
    message: (f) =>
      `Something of ${f.place} stands in the head of the whole site, before what it needs: it may not work here.`,
    remedy: () => 'Put what it needs into the head of the whole site as well, or take it back from there.',
  },
  'brought-twice': {
    message: (f) =>
      `${f.name === '' ? 'A piece of code' : `“${f.name}”`} comes with ${f.place} as well, which this page shows: it is loaded twice here, and some programs break when they run twice.`,
    remedy: () =>
      'Have it once in the head of every page of the site, where there is a field for that; else put one of the two into a frame of its own (frame=enclosed).',
  },
  'kept-apart': {
    message: (f) =>
      `At ${f.place}, it is handed out in a frame of its own (frame=${f.way}): it claims the same ${claims[f.what as keyof typeof claims]} “${f.name}” as what stands at ${f.from}, and side by side one of the two would not work.`,
    remedy: (f) =>
      `Nothing needs to be done. To have it as it is all the same, set frame=none at ${f.place}; to have the other one in a frame, set frame=${f.way} at ${f.from}.`,
  },
  'too-wide': {
    message: (f) =>
      `At ${f.place}, it stays ${f.width} px wide, and its spot has ${f.spot} px ${onDevices(f, 'too wide')}: it sticks out, or is cut off.`,
    remedy: () =>
      'Have it keep its shape at every width (fit=shape), or be as wide as its place (share=100). If the widths of the spot are not right, change them.',
  },
  'too-high': {
    message: (f) =>
      `At ${f.place}, it gets ${f.height} px high, and its spot has ${f.spot} px ${onDevices(f, 'too high')}: it pushes away what stands below, or is cut off.`,
    remedy: () =>
      'Make it narrower (max-width), so that it gets lower as well, or choose one that is made for this size. If the size of the spot is not right, change it.',
  },
  'claims-collide': {
    message: (f) =>
      `${f.times === 2 ? 'Two embeds' : `${f.times} embeds`} on this page claim the same ${claims[f.what as keyof typeof claims]} “${f.name}”: one of them may not work.`,
    remedy: () => 'Put one of them into a frame of its own.',
  },
  'pop-ups-together': {
    message: (f) =>
      `${f.times === 2 ? 'Two pop-ups' : `${f.times} pop-ups`} come up on this page: in ${f.one} and in ${f.other}${f.times === 2 ? '' : ', and more'}.`,
    remedy: () =>
      'Visitors close what covers what they came for. Keep one, or have the other come up much later, where its provider lets you say so.',
  },
  'link-time': {
    message: (f) =>
      `The time is given as a link gives it (${f.parameter}=${f.value}); in an embed it has no effect.`,
    remedy: () => 'Set the start instead.',
  },
  'sound-autoplay': {
    message: () => 'It is meant to play by itself with sound, which browsers refuse: it will stand still.',
    remedy: () => 'Set muted as well, or let people start it.',
  },
  'contact-blocked': {
    message: (f) =>
      `Visitors’ browsers say that its frame was kept from ${f.hosts}: ${f.count === 1 ? 'it is' : 'they are'} not among the hosts that you let it contact.`,
    remedy: () =>
      'See whether it still does what it should. Let it contact them if it needs them, or forget them; both is done with its frame.',
  },
  'retired': {
    message: () => 'Its embed is retired, and its code is still on this page.',
    remedy: () => 'Take it out of the page, or restore the embed.',
  },
  'paused-stands': {
    message: () => 'It is paused here, and its code is still on this page.',
    remedy: () => 'Take it out of the page for now, or let it go on.',
  },
  'block-not-everywhere': {
    message: (f) => `It is there on other pages, and not on ${f.page}.`,
    remedy: (f) =>
      `See whether ${f.page} shows the block. If it is not meant to, say more closely which pages do.`,
  },
  'still-cached': {
    message: () =>
      'It is on the page, but a cache still hands out an earlier version: visitors may not see it yet.',
    remedy: () => 'Wait until the cache has the new one, or empty it where you can.',
  },
  'missing': {
    message: () => 'It was on this page, and no longer is.',
    remedy: () => 'Paste its code again, or end the placement.',
  },
  'altered': {
    message: () =>
      'It is on the page, but not as Orbis handed it out: the site’s editor or somebody else changed it.',
    remedy: () => 'Copy the code once more and put it in the place of what is there.',
  },
  'file-altered': {
    message: (f) => `What stands in the file at ${f.address} is nothing that Orbis handed out.`,
    remedy: () => 'Copy the file once more and put it there.',
  },
  'file-unreachable': {
    message: (f) => `The file that its frame shows cannot be read, at ${f.address}. ${f.why}`,
    remedy: (f) => String(f.remedy),
  },
  'file-taken': {
    message: (f) =>
      `At ${f.place}, the file at ${f.address} would have something else in it than for another place of this page.`,
    remedy: () => 'Give each of them a file of its own (frame-file).',
  },
  'shown-as-text': {
    message: () => 'Visitors read the code itself: it was pasted where the editor takes text only.',
    remedy: () => 'Paste it into the editor’s field for HTML.',
  },
  'out-of-date': {
    message: (f) =>
      f.carries === f.revision
        ? 'The page carries an earlier form of the code than Orbis would hand out today.'
        : `The page still carries the code of revision ${f.carries}; the newest is ${f.revision}.`,
    remedy: () => 'Copy the code once more and put it in the place of what is there.',
  },
  'doubled': { message: (f) => `It is on the page ${f.times} times.`, remedy: () => 'Take out all but one.' },
  'page-unreachable': {
    message: (f) => `The page could not be read: ${f.why}`,
    remedy: (f) => `${f.remedy ?? 'See that the page opens in a browser, then check it again.'}`,
  },
  ...attentionFindings,
  ...termsFindings,
  ...loadedFindings,
  ...seenFindings,
} satisfies Language['findings'];
