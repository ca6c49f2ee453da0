import type { Language } from '../language.ts';

const things = {
  site: 'the site',
  page: 'the page',
  spot: 'the spot',
  sharedSpot: 'the shared spot',
  preset: 'the preset',
  search: 'the search of the register',
  channel: 'the channel',
  rules: 'the rules for all embeds',
};
const details = { name: 'name', notes: 'notes', tags: 'tags' };

/* A block is kept as a page is, with a name in braces. */
const thing = (what: keyof typeof things, key: string): string =>
  what === 'page' && key.endsWith('}') ? 'the block' : things[what];

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** What was done, in a few words without a full stop. */
export const changes: Language['changes'] = {
  'collected': ({ embeds, count }) =>
    count > embeds.length
      ? `Collected ${count} embeds: ${embeds.join(', ')} and ${count - embeds.length} more`
      : `Collected ${list.format(embeds)}`,
  'options': ({ embed, said }) => `Set options of ${embed}: ${said}`,
  'group': ({ where, said, count }) =>
    `Set options of ${count === 1 ? 'one embed' : `${count} embeds`} (${where || 'everything'}): ${said}`,
  'renewed': ({ embed }) => `Took a newer code for ${embed}`,
  'brought-back': ({ embed, revision }) => `Brought revision ${revision} of ${embed} back`,
  'details': ({ embed, what }) => {
    const written = what.flatMap((each) => (each in details ? [details[each as keyof typeof details]] : []));
    return [
      ...(written.length > 0 ? [`Changed ${list.format(written)} of ${embed}`] : []),
      ...(what.includes('retired') ? [`Retired ${embed}`] : []),
      ...(what.includes('restored') ? [`Restored ${embed}`] : []),
    ].join('; ');
  },
  'purged': ({ embed, reason }) => `Purged ${embed}: ${reason}`,
  'placed': ({ embed, place }) => `Placed ${embed} in ${place}`,
  'ended': ({ embed, place }) => `Ended the placement of ${embed} in ${place}`,
  'placed-options': ({ embed, place, said }) => `Set options of ${embed} in ${place}: ${said}`,
  'placed-details': ({ embed, place, what }) =>
    [
      ...(what.includes('note') ? [`Changed the note of ${embed} in ${place}`] : []),
      ...(what.includes('paused') ? [`Paused ${embed} in ${place}`] : []),
      ...(what.includes('resumed') ? [`Let ${embed} in ${place} go on`] : []),
    ].join('; '),
  'placements': ({ make, placements, count }) => {
    const some =
      count > placements.length
        ? `${count} placements: ${placements.join(', ')} and ${count - placements.length} more`
        : list.format(placements);
    if (make === 'resumed') return `Let go on ${some}`;
    return `${make === 'paused' ? 'Paused' : 'Ended'} ${some}`;
  },
  'moved': ({ embed, from, to }) => `Moved ${embed} from ${from} to ${to}`,
  'page-moved': ({ from, to }) => `Gave the page ${from} the address ${to}`,
  'pages-added': ({ site, pages, count }) =>
    `Added ${count === 1 ? `the page ${pages[0]}` : `${count} pages to the site ${site}`}`,
  'added': ({ what, key }) => `Added ${thing(what, key)} ${key}`,
  'changed': ({ what, key }) => `Changed ${thing(what, key)} ${key}`.trimEnd(),
  'removed': ({ what, key }) => `Removed ${thing(what, key)} ${key}`,
  'terms': (facts) => `Wrote down the terms of ${'embed' in facts ? facts.embed : facts.provider}`,
  'register-taken': ({ lines }) => `Took in a register of ${lines} ${lines === 1 ? 'line' : 'lines'}`,
  'sheet-saved': ({ provider }) => `Saved the sheet of ${provider}`,
  'sheet-removed': ({ provider }) => `Removed the sheet of ${provider}`,
};

/** What taking a change back does not reach. */
export const remains: Language['remains'] = {
  'paste-again': ({ placements }) =>
    `${placements === 1 ? 'One place' : `${placements} places`} may carry another code now: paste the one of now there.`,
  'take-out': ({ place }) => `Its code was handed out for ${place}: take it out there, if it was pasted.`,
};

/** The feed of what was done. */
export const feed: Language['feed'] = {
  title: 'What was done in Orbis',
  undone: (said) => `Taken back: ${said}`,
};
