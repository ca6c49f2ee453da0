import { formatLearned } from '../language/index.ts';
import type { LearnedLine, LearnProblem } from '@orbis/core';

/** Why nothing can be learned of some samples, and what would do. */
export function tellLearnProblem({ code, facts }: LearnProblem): string {
  switch (code) {
    case 'too-few':
      return `It takes from 2 to 20 codes or links of one provider to learn what they have in common; here ${facts.found === 1 ? 'is one' : `are ${facts.found}`}.`;
    case 'too-long':
      return `Sample ${facts.sample} is longer than a code. Give the code alone, without the page around it.`;
    case 'no-embed':
      return `Sample ${facts.sample} is text without any code in it. Give codes or links as the provider hands them out.`;
    case 'known':
      return `Sample ${facts.sample} is of ${facts.provider}, whom a sheet knows already. To change that sheet, make it yours: “orbis providers copy”.`;
    case 'links-only':
      return 'These are links only: how the provider’s codes look is not known. Give one code at least, or let the links be asked about (without --ask-nobody).';
    case 'nothing-to-know-by':
      return `Sample ${facts.sample} has no frame and no script of a provider’s, or nothing in it that could be an id: there is nothing to know such codes by.`;
    case 'not-alike':
      return `The samples are not of one make: sample ${facts.sample} is from ${facts.host}, and the first is from ${facts.first}. Give codes of one provider and one kind.`;
    case 'answer-unknown':
      return `Nothing in the samples is called “${facts.about}”. There are: ${facts.may}.`;
    case 'answer-does-not-fit':
      return `“${facts.about}” cannot be “${facts.answer}”. It can be: ${facts.may}.`;
    case 'not-learned':
      return `What the samples have in common is too little: the sheet would not know sample ${facts.sample} again. Give codes that differ in the id alone, or say which parameter is the id (item=…).`;
  }
}

/** What a line of a proposal is about, for people who do not know HTML. */
export function sayLearnedLine({ what, about }: Pick<LearnedLine, 'what' | 'about'>): string {
  const words: Record<LearnedLine['what'], string> = {
    name: 'the provider’s name',
    kind: 'what it shows',
    item: 'what tells one item from another',
    parameter: /^step-\d+$/.test(about) ? sayPart(about) : `“${about}”`,
    frame: 'the addresses of its frames',
    loader: 'the script that it loads',
    mount: 'the element that the script fills',
    link: 'the links that people paste',
    shape: 'the shape',
  };
  return words[what];
}

/** What a line is taken for, in a word or two. */
export const sayMeaning = ({ means, what, looks }: Pick<LearnedLine, 'means' | 'what' | 'looks'>): string =>
  means === null ? (looks.length > 0 ? 'light or dark?' : 'what is it?') : what === 'parameter' && means === '-' ? 'no setting' : what === 'item' ? sayPart(means) : means;

/** What a part of a code is called to the owner: the parameter's own name, or which step of the address it is. */
export const sayPart = (about: string): string => about.replace(/^step-(\d+)$/, 'step $1 of the address');

/** A line of a proposal as it crosses a wire: its reasons in words. */
export const tellLearnedLine = ({ because, ...line }: LearnedLine): Omit<LearnedLine, 'because'> & { because: string } => ({ ...line, because: formatLearned(because) });
