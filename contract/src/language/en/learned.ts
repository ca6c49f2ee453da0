import type { Language } from '../language.ts';

/** Why a line of a learned sheet is as it is. */
export const learned = {
  'you-said-so': () => 'you said so',
  'its-host': (f) => `its host is ${f.host}`,
  'samples-tell-nothing': () => 'nothing in the samples tells what they show',
  'in-the-links': () => 'the links have the same',
  'another-in-every-sample': () => 'it is different in every sample',
  'differs': () => 'it differs between samples',
  'same-in-all': () => 'all samples have the same one here',
  'name-says-so': (f) => `“${f.name}” says so`,
  'last-step': () => 'it is the last step of the path',
  'is-colour': (f) => `${f.also ? 'and ' : ''}“${f.value}” is a colour`,
  'is-language': (f) => `${f.also ? 'and ' : ''}“${f.value}” is a language`,
  'is-look': (f) => `${f.also ? 'and ' : ''}“${f.value}” is a look`,
  'values-fit': (f) => `and “${f.seen}” ${f.several ? 'fit' : 'fits'} it`,
  'probably-theme': (f) =>
    `“${f.name}” is probably the look; which of “${f.seen}” is light and which is dark is not plain`,
  'could-be': (f) => `“${f.name}” could be ${f.settings}`,
  'for-other-kinds': (f) => `but that is a setting for ${f.kinds}`,
  'small-number': () => 'but so small a number can count anything',
  'nothing-tells': (f) => `neither its name nor “${f.seen}” tells what it is for`,
  'taken-already': () => 'but another one is that already',
  'repeats-id': () => 'it repeats the id; which setting needs it is not plain',
  'are-degrees': (f) => `“${f.latitude}” and “${f.longitude}” are degrees`,
  'frames-are-there': () => 'the frames of all samples are there',
  'samples-have-it': (f) => (f.several ? 'all samples have it' : 'the sample has it'),
  'samples-load-it': () => 'every sample loads it',
  'samples-have-element': () => 'every sample has such an element, which the script fills',
  'id-in-codes': () => 'the same id is in the codes',
  'links-differ': () => 'the links differ there',
} satisfies Language['learned'];

/** Why nothing can be learned of some samples, and what would do. */
export const learnProblems = {
  'too-few': (f) =>
    `It takes from 2 to 20 codes or links of one provider to learn what they have in common; here ${f.found === 1 ? 'is one' : `are ${f.found}`}.`,
  'too-long': (f) =>
    `Sample ${f.sample} is longer than a code. Give the code alone, without the page around it.`,
  'no-embed': (f) =>
    `Sample ${f.sample} is text without any code in it. Give codes or links as the provider hands them out.`,
  'known': (f) =>
    `Sample ${f.sample} is of ${f.provider}, which a sheet knows already. To change that sheet, make a copy of your own.`,
  'links-only': () =>
    'These are links only: how the provider’s codes look is not known. Give one code at least, or let the links be asked about.',
  'nothing-to-know-by': (f) =>
    `Sample ${f.sample} has no frame and no script of a provider’s, or nothing in it that could be an id: there is nothing to know such codes by.`,
  'not-alike': (f) =>
    `The samples are not alike: sample ${f.sample} is from ${f.host}, and the first is from ${f.first}. Give codes of one provider and one kind.`,
  'answer-unknown': (f) => `Nothing in the samples is called “${f.about}”. There are: ${f.may}.`,
  'answer-does-not-fit': (f) => `“${f.about}” cannot be “${f.answer}”. It can be: ${f.may}.`,
  'not-learned': (f) =>
    `What the samples have in common is too little: the sheet would not know sample ${f.sample} again. Give codes that differ in the id alone, or say which parameter is the id (item=…).`,
} satisfies Language['learnProblems'];

/** What a line of a proposal is taken for, where that is no word of its own. */
export const learnedMeaning = {
  look: 'light or dark?',
  open: 'what is it?',
  none: 'no setting',
} satisfies Language['learnedMeaning'];

/** A step of an address, counted from 1. */
export const step: Language['step'] = (number) => `step ${number} of the address`;

/** What a line of a proposal is about. */
export const learnedAbout = {
  name: 'the provider’s name',
  kind: 'what it shows',
  item: 'what tells one item from another',
  parameter: 'a parameter',
  frame: 'the addresses of its frames',
  loader: 'the script that it loads',
  mount: 'the element that the script fills',
  link: 'the links that people paste',
  shape: 'the shape',
} satisfies Language['learnedAbout'];
