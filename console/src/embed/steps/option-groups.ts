import { allOptions, deviceOf, type Device, type Option } from '@orbis/core';

/** A group of options as a line of its own says it, until one of them is set. */
export interface LabelledGroup {
  label: string;
  /** What helps to fill them in, beside their fields. */
  tool?: 'crop';
  options: readonly Option[];
}

const looks = allOptions.filter(({ stage }) => stage === 'presentation');
const within = (group: Option['group']): readonly Option[] =>
  looks.filter((option) => option.group === group && deviceOf(option.name) === null);
const on = (device: Device): readonly Option[] =>
  looks.filter(({ name }) => deviceOf(name)?.device === device);

/** When it loads, and what stands there before. */
export const loading: readonly Option[] = within('loading');

/** How it stands on its page. */
export const isolation: readonly Option[] = allOptions.filter(({ stage }) => stage === 'isolation');
/** What it may do in a frame of ours. */
export const powerOptions: readonly Option[] = isolation.filter(({ group }) => group === 'powers');
/** Where the answer to its form is shown, and what stands there in words of the owner’s own. */
export const [answerOption, ...answerWords]: readonly [Option, ...Option[]] = isolation.filter(({ name }) =>
  name.startsWith('answer'),
) as [Option, ...Option[]];
/** Whether it has the style of its site. */
export const siteStyleOption: Option = isolation.find(({ name }) => name === 'site-style')!;
/** Where the file stands that it is in. */
export const fileAddress: Option = isolation.find(({ name }) => name === 'frame-file')!;

/** Whom it may contact there. */
export const contactsOption: Option = isolation.find(({ name }) => name === 'contacts')!;

/** What of a frame can hold for many embeds. */
export const framesOfMany: LabelledGroup = {
  label: 'A frame of its own, and what it may do there',
  options: isolation.filter(
    (option) => !answerWords.includes(option) && option !== fileAddress && option !== contactsOption,
  ),
};

/** What is asked first of how it looks. */
export const first: readonly Option[] = within(undefined);

/** The rest of it, which fewer people need. */
export const groups: readonly LabelledGroup[] = [
  { label: 'Heading, caption, links and a panel', options: within('beside') },
  { label: 'Over it: a link, a tint, words', options: within('over') },
  { label: 'Space around it', options: within('space') },
  { label: 'Corners, line and shadow', options: within('edges') },
  { label: 'Only a part of it', tool: 'crop', options: within('crop') },
  { label: 'Do without parts of the code', options: within('parts') },
  { label: 'Different on phones', options: on('phone') },
  { label: 'Different on tablets', options: on('tablet') },
];
