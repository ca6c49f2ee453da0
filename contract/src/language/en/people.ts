import type { Right, PersonRole } from '../../rights.ts';
import { rolesWith } from '../../rights.ts';
import type { ErrorWords, Language } from '../language.ts';

const either = new Intl.ListFormat('en-GB', { type: 'disjunction' });
const each = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/* Up to a thousand is counted. */
const count = (n: number, what: string): string =>
  `${n >= 1000 ? '1000 or more' : n === 0 ? 'no' : n} ${what}${n === 1 ? '' : 's'}`;

/** What people are, and what they may do. */
export const people: Language['people'] = {
  roles: {
    reader: 'reader',
    placer: 'placer',
    editor: 'editor',
    owner: 'owner',
  },
  may: {
    reader: 'looks at everything, and changes nothing',
    placer: 'also takes the steps of pages, ticks them off, and has published pages checked',
    editor: 'also collects, changes and places embeds, and arranges sites and pages',
    owner: 'also decides who may do what, where news goes, and what is gone for good',
  },
  rights: {
    see: 'look at what is here',
    paste: 'take the steps of pages',
    check: 'have pages checked',
    collect: 'collect embeds',
    change: 'change embeds',
    place: 'arrange sites and pages, and place embeds',
    manage: 'manage Orbis',
  },
  grants: ({ role, sites }) => {
    const on = new Map<PersonRole, string[]>();
    for (const grant of sites) on.set(grant.role, [...(on.get(grant.role) ?? []), grant.site]);
    const parts = [...on].map(([as, where]) => `${as} of ${each.format(where)}`);
    return each.format([...(role === null ? [] : [`${role} of everything`]), ...parts]);
  },
  listed: (names) => each.format(names),
  either: (names) => either.format(names),
  askFor: (names) => (names.length === 0 ? '' : `Ask ${either.format(names)}.`),
  takes: (right, names) =>
    `It takes ${either.format(rolesWith(right).map(withArticle))} to ${people.rights[right]}.${
      names.length === 0 ? '' : ` ${people.askFor(names)}`
    }`,
  made: ({ embeds, placements, changes }) =>
    embeds + placements + changes === 0
      ? 'nothing yet'
      : each.format([count(embeds, 'embed'), count(placements, 'placement'), count(changes, 'change')]),
  signedIn: ({ sessions, tokens }) =>
    sessions + tokens === 0 ? 'nothing' : each.format([count(sessions, 'browser'), count(tokens, 'token')]),
  removing: (name, standing) => {
    const { embeds, placements, changes, sessions, tokens, planLinks } = standing;
    const ends = [
      ...(sessions > 0 ? [count(sessions, 'browser')] : []),
      ...(tokens > 0 ? [count(tokens, 'token')] : []),
      ...(planLinks > 0 ? [count(planLinks, 'shared link')] : []),
    ];
    const ended = ends.length === 0 ? '' : ` What lets them in ends: ${each.format(ends)}.`;
    return embeds + placements + changes === 0
      ? `${name} has made nothing.${ended}`
      : `What ${name} made stays, with their name: ${people.made(standing)}.${ended}`;
  },
  done: {
    invited: (name, rights) => `Invited ${name} as ${people.grants(rights)}`,
    changed: (name, rights) => `Said that ${name} is ${people.grants(rights)}`,
    link: (name) => `Made a link by which ${name} sets a password`,
    removed: (name) => `Removed ${name}`,
  },
  mailed: {
    'sent': 'It went to them by mail; here it is as well.',
    'failed': 'It could not be sent by mail: hand it over yourself.',
    'no-mail-server': 'No mail server is set up: hand it over yourself.',
    'no-address': 'Hand it over yourself.',
  },
  invitation: {
    subject: (by) => `${by ?? 'Somebody'} invites you to Orbis`,
    text: ({ name, by, grants, link, until }) =>
      `Hello ${name},\n\n${by ?? 'Somebody'} invites you to Orbis, as ${grants}. Choose a password here, before ${until}:\n\n${link}\n\nThe link holds once. From then on you sign in with your name, ${name}, and your password. If you expect no such invitation, leave it be: without the link nobody gets in.\n`,
  },
};

const withArticle = (word: string): string => `${/^[aeiou]/.test(word) ? 'an' : 'a'} ${word}`;

/** Errors about people and what they may do. */
export const errorsOfPeople = {
  'not-allowed': {
    title: 'Not allowed',
    detail: (f) => {
      const right = (f.right ?? 'manage') as Right;
      const takes = either.format(rolesWith(right).map(withArticle));
      const you = f.you ? `you are ${withArticle(String(f.you))}` : 'you may do nothing here yet';
      return `It takes ${takes}${f.everything ? ' of everything' : ''} to ${people.rights[right]}; ${you}.${f.who ? ` Ask ${f.who}.` : ''}`;
    },
  },
  'site-needed': {
    title: 'Which site?',
    detail: (f) => `You have to do with ${f.sites ?? 'single sites'}: say which of them you mean.`,
  },
  'name-needed': {
    title: 'Which name?',
    detail: () => 'Several people use this Orbis: say your name as well.',
  },
  'name-taken': {
    title: 'Name taken',
    detail: (f) =>
      f.removed
        ? `“${f.name}” was somebody who is removed, and what they made keeps their name. Invite them again, or give another name.`
        : `Somebody is called “${f.name}” already. Give another name; people sign in by it.`,
  },
  'nothing-granted': {
    title: 'Nothing to do',
    detail: (f) => `Say what ${f.name ?? 'they'} may do: a role for everything, or one for single sites.`,
  },
  'last-owner': {
    title: 'The last owner',
    detail: (f) =>
      `${f.name ?? 'That'} is the only owner who has a password. Make somebody else an owner first, or nobody could manage Orbis.`,
  },
} satisfies Record<string, ErrorWords>;
