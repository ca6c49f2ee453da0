import type { Language } from '../language.ts';

const list = new Intl.ListFormat('en-GB', { type: 'conjunction' });

/* How many of each, where there are any: “2 found and 1 solved”. */
const counted = ({ found, due, solved }: { found: number; due: number; solved: number }): string =>
  list.format([
    ...(found > 0 ? [`${found} found`] : []),
    ...(due > 0 ? [`${due} due again`] : []),
    ...(solved > 0 ? [`${solved} solved`] : []),
  ]);

/** News of what sweeps find, as it goes out. */
export const news: Language['news'] = {
  kinds: { found: 'Found', due: 'Due again', solved: 'Solved' },
  one: ({ kind, title, what, where }) => {
    const about = [what, where === '' ? null : what === null ? where : `in ${where}`]
      .filter((each) => each !== null)
      .join(', ');
    if (kind === 'found') return about === '' ? title : `${title}: ${about}`;
    return `${kind === 'due' ? 'Due again' : 'Solved'}: ${title.toLowerCase()}${about === '' ? '' : `, ${about}`}`;
  },
  many: (counts, site) => `${counted(counts)}${site === null ? '' : ` on ${site}`}`,
  more: (count) =>
    `${count} more ${count === 1 ? 'is' : 'are'} not listed here. All of it stands under “Attention”.`,
  all: (address) => `All that wants attention: ${address}`,
  because: (channel, address) => `You get this by the channel “${channel}” of Orbis: ${address}`,
  trial: 'This is a trial of Orbis',
  trialSays: (channel) =>
    `What you read here was sent by the channel “${channel}” of Orbis, to see whether it gets through. Nothing is to be done.`,
  feedTitle: (channel) => `Orbis: ${channel}`,
  channels: { mail: 'Mail', webhook: 'Webhook', feed: 'Feed' },
  states: {
    gathering: 'more is gathered for it',
    waiting: 'waits to be sent',
    sent: 'got through',
    dead: 'was given up',
  },
  failures: {
    'sign-in': ({ host }) => `The mail server ${host} does not take the name and the password of Orbis.`,
    'no-answer': ({ host }) => `The mail server ${host} does not answer.`,
    'certificate': ({ host }) => `The certificate of the mail server ${host} is not valid.`,
    'refused': ({ host, said }) => `The mail server ${host} refused it: ${said}`,
    'internal': () => 'Something broke inside Orbis; its log says what.',
    'no-mail-server': () => 'Orbis has no mail server any more: ORBIS_SMTP_URL is not set.',
    'answered': ({ host, status }) => `${host} answered ${status}, and not that it took it.`,
    'ended': ({ host }) => `${host} answered 410: it wants nothing any more. The channel is paused.`,
    'led-on': ({ host, status }) =>
      `${host} answered ${status} and led on to another address. Give the channel that address.`,
  },
};
