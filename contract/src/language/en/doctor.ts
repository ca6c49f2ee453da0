import type { Language } from '../language.ts';
import type { DoctorWords } from '../safety-words.ts';
import { copies } from './copies.ts';

const nothing = (): null => null;
const away =
  (setting: string): DoctorWords['todo'] =>
  () =>
    `See that its name leads to this machine (DNS), that the proxy runs, and that ${setting} is the address that browsers use.`;
const otherHost: DoctorWords['todo'] = () =>
  'Have the proxy pass on the name that was asked for, as Host or X-Forwarded-Host: the examples for proxies do.';
const somethingElse: DoctorWords['todo'] = (f) =>
  `Something else answers at ${f['address']}. See where the proxy sends what is asked for there.`;
const days = (n: unknown): string => (n === 1 ? 'one day' : `${String(n)} days`);

/** What the examination of an installation finds. */
export const doctor: Language['doctor'] = {
  names: {
    database: 'Database',
    tables: 'Tables',
    disk: 'Disk',
    clock: 'Clock',
    console: 'Address of the console',
    frames: 'Address of the frames',
    certificates: 'Certificates',
    proxy: 'Proxy',
    mail: 'Mail',
    browser: 'Browser',
    copies: 'Safety copies',
  },
  states: { well: 'well', note: 'to know', warning: 'look at it', fault: 'does not work' },
  found: {
    'database-well': {
      said: (f) =>
        `It answers in ${f['ms']} ms (${f['server']})${Number(f['hosts']) > 1 ? `, by the first of ${f['hosts']} hosts` : ''}.`,
      todo: nothing,
    },
    'database-other-host': {
      said: (f) =>
        `It answers in ${f['ms']} ms (${f['server']}), by ${f['host']}: this process has left ${f['left']} at ${f['at']}, as that did not answer.`,
      todo: (f) =>
        `See that ${f['left']} is well again, and start the processes of Orbis anew then: they go on by the first host of ORBIS_DATABASE_URL, and all by the same one.`,
    },
    'database-slow': {
      said: (f) => `It takes ${f['ms']} ms to answer the shortest question (${f['server']}).`,
      todo: () =>
        'See what keeps its machine busy, or how far away it is: every answer waits for it several times.',
    },
    'tables-well': { said: (f) => `They are those of version ${f['version']}.`, todo: nothing },
    'tables-unfinished': {
      said: (f) => `${f['statements']} steps of bringing them to their newest form are not done.`,
      todo: () => 'Start Orbis once more: it goes on where it was.',
    },
    'disk-well': { said: (f) => `${f['free']} are free in ${f['folder']}.`, todo: nothing },
    'disk-low': {
      said: (f) => `Only ${f['free']} are free in ${f['folder']}.`,
      todo: () => 'Make room, or keep less: ORBIS_LOOKS_KEPT and ORBIS_COPIES_KEEP say how much is kept.',
    },
    'disk-full': {
      said: (f) => `Only ${f['free']} are free in ${f['folder']}: soon nothing can be written.`,
      todo: () => 'Make room at once. A database that runs out of it stops in the middle of its work.',
    },
    'clock-well': { said: () => 'This machine and the database have the same time.', todo: nothing },
    'clock-off': {
      said: (f) => `This machine and the database are ${f['seconds']} seconds apart.`,
      todo: () =>
        'Have both set their clocks by the network. Codes of apps, links and work that processes share go by the time.',
    },
    'console-local': {
      said: (f) => `It is reached on this machine only, at ${f['address']}.`,
      todo: () => 'For others, put a proxy with a certificate in front of it and set ORBIS_PUBLIC_URL.',
    },
    'console-well': { said: (f) => `Orbis answers at ${f['address']}.`, todo: nothing },
    'console-away': {
      said: (f) => `Nothing answers at ${f['address']}: ${f['why']}.`,
      todo: away('ORBIS_PUBLIC_URL'),
    },
    'console-other-host': {
      said: (f) => `At ${f['address']} Orbis is asked under another name, and refuses that.`,
      todo: otherHost,
    },
    'console-something-else': {
      said: (f) => `What answers at ${f['address']} is not the console (status ${f['status']}).`,
      todo: somethingElse,
    },
    'console-other-version': {
      said: (f) => `At ${f['address']} version ${f['theirs']} answers, and this is ${f['ours']}.`,
      todo: () => 'Some processes are of another version, or it is another Orbis. Start all of them anew.',
    },
    'frames-local': {
      said: (f) => `They are reached on this machine only, at ${f['address']}.`,
      todo: () => 'For visitors, give them a domain of their own and set ORBIS_FRAMES_URL.',
    },
    'frames-well': { said: (f) => `Frames are served at ${f['address']}, whatever the name.`, todo: nothing },
    'frames-shared-host': {
      said: (f) => `All frames share one host, ${f['address']}.`,
      todo: () =>
        'Embeds that keep data in the visitor’s browser may not work in them. A host with a wildcard mends that: ORBIS_FRAMES_URL=https://*.frames.example.',
    },
    'frames-away': {
      said: (f) => `Nothing answers at ${f['address']}: ${f['why']}.`,
      todo: () =>
        'A wildcard record in DNS leads every name below their domain to the proxy, and a wildcard certificate is for all of them. See that ORBIS_FRAMES_URL says that domain.',
    },
    'frames-other-host': {
      said: (f) => `At ${f['address']} Orbis is asked under another name, and refuses that.`,
      todo: otherHost,
    },
    'frames-something-else': {
      said: (f) => `What answers at ${f['address']} are not the frames (status ${f['status']}).`,
      todo: somethingElse,
    },
    'certificates-none': { said: () => 'Nothing is reached by https, so there are none.', todo: nothing },
    'certificates-well': {
      said: (f) => `They are trusted, and hold for ${days(f['days'])} at least.`,
      todo: nothing,
    },
    'certificates-end': {
      said: (f) => `That of ${f['host']} ends in ${days(f['days'])}.`,
      todo: () => 'See why it was not renewed: whatever renews it has a log.',
    },
    'certificates-over': {
      said: (f) => `That of ${f['host']} has ended.`,
      todo: () => 'Renew it now: browsers refuse what is reached by it.',
    },
    'certificates-untrusted': {
      said: (f) => `That of ${f['host']} is not trusted: ${f['why']}.`,
      todo: () =>
        'Give the proxy a certificate for this name, by somebody whom browsers trust, with those between.',
    },
    'certificates-away': {
      said: (f) => `That of ${f['host']} could not be read: ${f['why']}.`,
      todo: () => 'See that its name leads to the proxy, and that this speaks TLS there.',
    },
    'proxy-none': { said: () => 'There is none, and none is needed on this machine.', todo: nothing },
    'proxy-well': { said: (f) => `You are seen as coming from ${f['address']}.`, todo: nothing },
    'proxy-untold': {
      said: () =>
        'One stands before Orbis, which was not told of it: all visitors seem to come from one address.',
      todo: () =>
        'Set ORBIS_TRUST_PROXY to how many there are. Until then wrong passwords of one keep out everybody.',
    },
    'proxy-hides': {
      said: (f) => `You are seen as coming from ${f['address']}, which is not an address of the internet.`,
      todo: () =>
        'If you are not in the same network, the proxy does not pass on who asks (X-Forwarded-For), or there are more of them than ORBIS_TRUST_PROXY says.',
    },
    'mail-none': {
      said: () => 'No mail server is set up: news and invitations do not go by mail.',
      todo: () => 'ORBIS_SMTP_URL names one.',
    },
    'mail-well': { said: (f) => `${f['host']} takes mail of Orbis.`, todo: nothing },
    'mail-fault': {
      said: (f) => `The mail server does not take mail: ${f['why']}`,
      todo: () => 'See that ORBIS_SMTP_URL has its address, name and password.',
    },
    'browser-none': {
      said: () => 'There is none: pictures, heights, weights and looks at pages are left out.',
      todo: () => 'Install Debian’s chromium-headless-shell, and start Orbis anew.',
    },
    'browser-well': { said: (f) => `${f['program']} is there.`, todo: nothing },
    'browser-fault': {
      said: (f) => `${f['program']} does not start: ${f['why']}.`,
      todo: () => 'Install it anew, or name another one with ORBIS_CHROMIUM.',
    },
    'copies-off': { said: () => copies.standings.off, todo: () => 'Name a folder on another disk.' },
    'copies-none': { said: () => copies.standings.none, todo: nothing },
    'copies-good': {
      said: (f) => `The last one is of ${f['at']}${f['read'] === 1 ? ', and was read back' : ''}.`,
      todo: nothing,
    },
    'copies-late': {
      said: () => copies.standings.late,
      todo: () => 'See whether a process for jobs runs, and what “Safety copies” says of the last ones.',
    },
    'copies-failed': {
      said: (f) => `The last one failed: ${f['why']}`,
      todo: () => 'Mend that, and have one made now.',
    },
  },
};
