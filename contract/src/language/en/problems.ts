import type { Condition } from '@orbis/core';
import type { Language } from '../language.ts';
import { conditions } from './options.ts';

const missingParts: Record<string, string> = {
  mount: 'element that a script fills',
  loader: 'script of its provider',
  setup: 'script that hands its options over',
  json: 'JSON where its provider takes it: what stands in that attribute is something else',
  address: 'address that could have a parameter',
};

/** Why an option cannot be fulfilled. */
export const problems = {
  'option-unknown': {
    title: 'No such option',
    detail: (f) =>
      `There is no option called “${f.found}”.${f.near ? ` Did you mean “${f.near}”?` : ''}${f.known ? ` There are: ${f.known}.` : ''}`,
  },
  'options-conflict': {
    title: 'Only one of them',
    detail: (f) =>
      `${f.setting} and ${f.other} both set the same thing, to different values. Take one of them out.`,
  },
  'no-sheet': {
    title: 'Provider not known',
    detail: (f) =>
      `${f.setting} cannot be set: no provider sheet knows this code, so Orbis does not know where its provider takes it.`,
  },
  'setting-not-offered': {
    title: 'Not offered',
    detail: (f) => `${f.provider} does not offer ${f.setting}.`,
  },
  'value-not-offered': {
    title: 'Value not offered',
    detail: (f) => `${f.provider} does not take that for ${f.setting}; it takes ${f.expected}.`,
  },
  'part-missing': {
    title: 'Part not there',
    detail: (f) =>
      `${f.setting} cannot be set: this code has no ${missingParts[String(f.part)] ?? 'frame or player'}.`,
  },
  'clip-order': {
    title: 'End before start',
    detail: (f) =>
      `The end (${f.end}) is not after the start (${f.start}). Set an end later than ${f.start}.`,
  },
  'sound-autoplay': {
    title: 'Sound and autoplay',
    detail: () => 'Browsers let nothing with sound play by itself. Leave “muted” on, or take “autoplay” out.',
  },
  'settings-exclude': {
    title: 'Only one of them',
    detail: (f) => `${f.provider} obeys only one of ${f.other} and ${f.setting}. Take one of them out.`,
  },
  'time-beyond': {
    title: 'Beyond its end',
    detail: (f) => `It is ${f.length} long: ${f.setting} ${f.at} is beyond its end.`,
  },
  'no-way-to-play': {
    title: 'Nothing starts it',
    detail: () =>
      'With its buttons hidden nobody can start it. Leave “controls” on, or let it play by itself, which it does without sound.',
  },
  'nothing-to-present': {
    title: 'No frame there',
    detail: () => 'There is no frame and no player in this code whose look could be changed.',
  },
  'widths-cross': {
    title: 'Widths that cross',
    detail: (f) =>
      `It cannot be at least ${f.least} px and at most ${f.most} px wide. Make the first one smaller, or the second larger.`,
  },
  'over-the-page': {
    title: 'Stands over the page',
    detail: () => 'A pop-up stands over the page and not in a place on it, so it has no width or side there.',
  },
  'fills-its-place': {
    title: 'Fills its place',
    detail: () =>
      'This code is as wide as its place, so there is nothing to move. Set max-width or share as well.',
  },
  'shape-unknown': {
    title: 'Shape not known',
    detail: () =>
      'Nothing in this code says its shape. Say it: shape=16:9, or shape=9:16 for an upright one.',
  },
  'own-wrapper': {
    title: 'Has a box of its own',
    detail: (f) =>
      `This code brings a box of its own (a ${f.element}) around the frame, which has a size. Leave “fit” out.`,
  },
  'height-unknown': {
    title: 'Height not known',
    detail: () => 'Nothing in this code says how high it is. Say it: height=480.',
  },
  'size-unknown': {
    title: 'Size not known',
    detail: () => 'This code does not say both sides in px. Say them: width=640 height=360.',
  },
  'content-unknown': {
    title: 'Nowhere to lead to',
    detail: () =>
      'Nothing in this code says where its content can be seen. Use link-below with an address instead.',
  },
  'words-over-button': {
    title: 'Words over the button',
    detail: () =>
      'Words over it would cover the button that loads it. Use load-words for what the button says, or let it load at once.',
  },
  'writes-too-late': {
    title: 'Cannot wait',
    detail: () =>
      'This code writes into the page while that is read, and writes nothing once the page is there. It has to load at once.',
  },
  'starts-with-page': {
    title: 'Cannot wait',
    detail: (f) =>
      `A script in this code begins when the page is there (${f.event}), and would never begin later. It has to load at once.`,
  },
  'still-needs-wait': {
    title: 'No place for a picture',
    detail: () =>
      'A picture can stand in the place of this code only while that waits. Set load=click or load=near as well.',
  },
  'still-also-needs-still': {
    title: 'No picture to offer',
    detail: () => 'Smaller types are those of the still picture. Set “still” to its address as well.',
  },
  'still-without-ending': {
    title: 'The picture has no ending',
    detail: () =>
      'Smaller types stand beside the picture, under its name with another ending. The address of the still picture has none, such as .jpg.',
  },
  'height-said-twice': {
    title: 'The height is said twice',
    detail: (f) => `“${f.other}” says how high it is already. Leave that out, or the measured heights.`,
  },
  'crop-needs-frame': {
    title: 'No frame to show a part of',
    detail: () => 'A part can be shown of a frame that stands alone. This code has none.',
  },
  'crop-needs-sides': {
    title: 'One side is missing',
    detail: (f) => `A part has two sides. Set ${f.missing} as well.`,
  },
  'crop-has-size': {
    title: 'The part has a size',
    detail: () => 'A part of a frame has the size that you say. Leave “fit” out.',
  },
  'shape-everywhere': {
    title: 'The shape on other screens',
    detail: () =>
      'Only what always keeps a shape can have another one on some screens. Say the one that it has everywhere as well: fit=16:9.',
  },
  'band-needs-frame': {
    title: 'Nothing that could cover it',
    detail: () => 'A frame, a film or a picture that stands alone can cover a band. This code has none.',
  },
  'band-everywhere': {
    title: 'The height on other screens',
    detail: () => 'Say how high the band is on all other screens as well: band=420.',
  },
  'band-behind-needs-band': {
    title: 'No band to lay behind it',
    detail: () =>
      'Only a band can lie behind a section. Say how high it is where it cannot, such as in an older browser: band=420.',
  },
  'band-behind-alone': {
    title: 'Nothing stands around it there',
    detail: (f) =>
      `Behind a section there is no room for what “${f.other}” puts around it. Leave that out, or write it in the section.`,
  },
  'band-has-size': {
    title: 'The band has a size',
    detail: () => 'A band is as high as you say, and as wide as its place. Leave “fit” and “crop” out.',
  },
  'required-field': {
    title: 'The form needs it',
    detail: (f) => `${f.name} must be filled in: without it nobody can send the form.`,
  },
  'robot-trap': {
    title: 'The form needs it',
    detail: (f) =>
      `People do not see ${f.name}: it is there for the form itself, often to tell robots from people. Without it the form would be refused, or full of advertising.`,
  },
  'part-unknown': {
    title: 'No such part',
    detail: (f) => `This code has no part “${f.found}”. It could do without: ${f.names}.`,
  },
  'nothing-to-leave-out': {
    title: 'Nothing to leave out',
    detail: () => 'This code has no part that it could do without.',
  },
  'needs-page-head': {
    title: 'Needs the head of the page',
    detail: (f) =>
      `What holds only ${conditions[f.when as Condition]} needs style rules in the head of its page. Say that the site has a way into it, or that its editor has a field for such rules: then the page’s plan brings them.`,
  },
  'frame-within-enclosed': {
    title: 'Frames its provider',
    detail: () =>
      'This code shows a frame of its provider, which needs an origin; a document that is enclosed, or in a file of yours, has none. Have it served (frame=served), or leave it in the page: its own frame keeps it apart already.',
  },
  'storage-in-enclosed': {
    title: 'Keeps data',
    detail: () =>
      'This code keeps data in the visitor’s browser, which a document that is enclosed, or in a file of yours, may not. Have it served (frame=served).',
  },
  'file-needs-address': {
    title: 'Where is the file?',
    detail: () =>
      'Say at which address the file will stand on your server: frame-file=https://hollinfell.example/embeds/form.html.',
  },
  'address-needs-file': {
    title: 'No file is asked for',
    detail: () => 'The address of a file goes with frame=file only.',
  },
  'power-needs-frame': {
    title: 'No frame of its own',
    detail: () =>
      'What it may do can be chosen only where it stands in a frame of its own: frame=enclosed, served or file.',
  },
  'contacts-need-frame': {
    title: 'No frame of its own',
    detail: () =>
      'Whom it contacts can be fixed only where it stands in a frame of its own: frame=enclosed, served or file.',
  },
  'answer-needs-frame': {
    title: 'No frame of its own',
    detail: () =>
      'Where the answer to a form is shown can be chosen only where it stands in a frame of its own: frame=enclosed, served or file.',
  },
  'no-form-in-code': {
    title: 'No form in the code',
    detail: () =>
      'The code has no form of its own: a script brings it, or its provider’s frame. What is answered there is set at the provider.',
  },
  'answer-needs-power': {
    title: 'Not let do that',
    detail: (f) => `You have switched off what this answer needs: ${f.option}=off.`,
  },
  'words-need-answer': {
    title: 'No words of your own are asked for',
    detail: () => 'These words go with answer=words only.',
  },
  'style-needs-frame': {
    title: 'No frame of its own',
    detail: () =>
      'The style for frames is for what stands in one: frame=enclosed, served or file. In the page itself the styles of the page hold.',
  },
  'no-host': {
    title: 'Not the name of a host',
    detail: (f) =>
      `“${f.found}” is no name of a host. Write names such as cdn.slotsedge.example, or *.slotsedge.example for all below one, without https:// and without a path.`,
  },
  'origin-undoes-sandbox': {
    title: 'Would undo its frame',
    detail: () =>
      'With the origin of your page it could take its own limits away and read the page. Use frame=served, where it has an origin of its own.',
  },
  'frames-share-host': {
    title: 'Frames share one host',
    detail: () =>
      'All that is served shares one host here, so that none has an origin of its own. This code needs one: it keeps data, or shows a frame of its provider. Whoever runs Orbis can give each frame a host (ORBIS_FRAMES_URL=https://*.frames.example).',
  },
  'served-needs-place': {
    title: 'Served where it is placed',
    detail: () =>
      'Its document is served for a placement: place it on a page, and take the code for there. This is the code without a frame.',
  },
  'code-insists': {
    title: 'The code insists',
    detail: (f) =>
      `The code’s own ${f.property} is marked as important, which no rule in the head of the page wins over.`,
  },
} satisfies Language['problems'];
