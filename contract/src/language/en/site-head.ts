import type { Language } from '../language.ts';

const many = (pages: number): string => (pages === 1 ? '1 page' : `${pages} pages`);

/** What stands in the head of a whole site, and what is to be done there. */
export const siteHead = {
  called: ({ what, name }) =>
    ({
      code: name === '' ? 'A style of a code' : name,
      loader: 'The script of Orbis that shows what waits for a click',
      listener: 'The script of Orbis that makes frames as high as what is in them',
      companion: 'What your editor needs to make embeds of what is pasted',
    })[what],
  says: ({ action, kept, recommended, pages, resting, unneededSince, seen }, when) => {
    const needed = pages === 1 ? '1 page needs it' : `${many(pages)} need it`;
    switch (action) {
      case 'paste':
        return `${needed}: paste it into the head of the whole site.${seen?.stands === false && seen.on !== null ? ` It was not there when ${seen.on} was read.` : ''}`;
      case 'already-there':
        return `${needed}. ${seen === null || seen.on === null ? 'It is there.' : `It was there when ${seen.on} was read.`}`;
      case 'wait':
        return `It is not wanted there any more, but ${many(resting)} still ${resting === 1 ? 'carries a code that rests' : 'carry codes that rest'} on it: paste ${resting === 1 ? 'that' : 'those'} anew first.`;
      case 'take-out':
        return kept && unneededSince !== null
          ? `No page has needed it since ${when(unneededSince)}: take it out.`
          : 'It is not wanted there any more: take it out.';
      case 'offered':
        if (pages === 0) return 'No page needs it.';
        return recommended
          ? `${needed}: it would stand better once in the head of the whole site.`
          : `${needed}. It stands on ${pages === 1 ? 'that page' : 'each of them'}.`;
    }
  },
} satisfies Language['siteHead'];
