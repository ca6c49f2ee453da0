import type { Language } from '../language.ts';
import { positions, positionsLeft } from './words.ts';

/** Blocks: pasted once, and shown by many pages. */
export const blocks: Language['blocks'] = {
  shownBy: ({ under, stands }) => {
    const where = stands === 'before' ? 'before' : 'after';
    if (under === null) return `The pages on which it is seen show it, ${where} their own content.`;
    return under === ''
      ? `Every page of the site shows it, ${where} its own content.`
      : `Pages whose paths begin with ${under} show it, ${where} their own content.`;
  },
  shows: ({ title, placements }) =>
    `The page shows “${title}” as well, with ${placements === 1 ? 'one embed' : `${placements} embeds`}. That is pasted once for all its pages, and has steps of its own.`,
};

const endOf = { 'body-start': 'the beginning', 'body-end': 'the end' } as const;

/* A block has no body of a page. */
const inBlock = (position: keyof typeof endOf, isLeft: boolean): string =>
  `${isLeft ? 'from' : 'at'} ${endOf[position]} of the block`;

/** Where a step of a plan is done. */
export const stepAt: Language['stepAt'] = ({ action, position, place }, { placements, isBlock }) => {
  if (position === 'file') return `${positions.file}: ${place}`;
  if (place !== null) return place;
  const ends = isBlock && position in endOf ? (position as keyof typeof endOf) : null;
  if (action === 'take-out')
    return `${ends ? inBlock(ends, true) : positionsLeft[position]}, as nothing on this page needs it any more`;
  const many = placements === 1 ? '1 placement' : `${placements} placements`;
  return `${ends ? inBlock(ends, false) : positions[position]}, for ${many}`;
};
