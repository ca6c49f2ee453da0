import type { Language } from '../language.ts';

const things = { site: 'Site', page: 'Page', spot: 'Spot', preset: 'Preset', rules: '' };
const details = { name: 'name', notes: 'notes', tags: 'tags' };

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/** What was done, in a few words without a full stop. */
export const changes: Language['changes'] = {
  'collected': ({ embeds, count }) =>
    count > embeds.length
      ? `${count} embeds collected: ${embeds.join(', ')} and ${count - embeds.length} more`
      : `${list.format(embeds)} collected`,
  'options': ({ embed, said }) => `Options of ${embed}: ${said}`,
  'group': ({ where, said, count }) =>
    `Options of ${count === 1 ? 'one embed' : `${count} embeds`} (${where || 'everything'}): ${said}`,
  'renewed': ({ embed }) => `A newer code for ${embed}`,
  'brought-back': ({ embed, revision }) => `Revision ${revision} of ${embed} brought back`,
  'details': ({ embed, what }) => {
    const written = what.flatMap((each) => (each in details ? [details[each as keyof typeof details]] : []));
    return [
      ...(written.length > 0 ? [`${list.format(written)} of ${embed} changed`] : []),
      ...(what.includes('retired') ? [`${embed} retired`] : []),
      ...(what.includes('restored') ? [`${embed} no longer retired`] : []),
    ].join('; ');
  },
  'placed': ({ embed, place }) => `${embed} placed in ${place}`,
  'ended': ({ embed, place }) => `${embed} no longer placed in ${place}`,
  'placed-options': ({ embed, place, said }) => `Options of ${embed} in ${place}: ${said}`,
  'added': ({ what, key }) => `${things[what]} ${key} added`,
  'changed': ({ what, key }) =>
    what === 'rules' ? 'Rules for all embeds changed' : `${things[what]} ${key} changed`,
  'removed': ({ what, key }) => `${things[what]} ${key} removed`,
  'sheet-saved': ({ provider }) => `Sheet of ${provider} saved`,
  'sheet-removed': ({ provider }) => `Sheet of ${provider} removed`,
};

/** What taking a change back does not reach. */
export const remains: Language['remains'] = {
  'paste-again': ({ placements }) =>
    `${placements === 1 ? 'One place' : `${placements} places`} may carry another code now: paste the one of now there.`,
  'take-out': ({ place }) => `Its code was handed out for ${place}: take it out there, if it was pasted.`,
};
