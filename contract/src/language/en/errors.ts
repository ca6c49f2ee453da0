import type { ErrorWords } from '../language.ts';
import { errorsOfCopies } from './copies.ts';
import { errorsOfPeople } from './people.ts';
import { errorsOfSecurity } from './security.ts';

const waitInWords = (seconds: number): string =>
  seconds < 100 ? `${seconds} ${seconds === 1 ? 'second' : 'seconds'}` : `${Math.ceil(seconds / 60)} minutes`;

const moment = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long', timeStyle: 'short', timeZone: 'UTC' });

/* A time of the interface, as people read it. */
const timeInWords = (at: string): string =>
  Number.isNaN(Date.parse(at)) ? at : `${moment.format(new Date(at))} UTC`;

/* What a channel does not have. */
const channelUnfit: Readonly<Record<string, (channel: string) => string>> = {
  schedule: (channel) => `Only mail is gathered: the channel “${channel}” gets each piece of news at once.`,
  mail: (channel) => `The channel “${channel}” goes by mail: its address is one such as me@example.org.`,
  webhook: (channel) =>
    `The channel “${channel}” goes to a whole web address, such as https://example.org/news.`,
  feed: (channel) => `The channel “${channel}” is a feed, which is asked for: it goes to no address.`,
  secret: (channel) => `The channel “${channel}” goes by mail, which has no secret.`,
};

/** Every error that is not about one option. */
export const errors = {
  ...errorsOfCopies,
  ...errorsOfPeople,
  ...errorsOfSecurity,
  'bad-request': {
    title: 'The request does not fit',
    detail: (f) => `${f.problem ?? 'Something in the request does not fit.'}`,
  },
  'not-json': {
    title: 'The body is not JSON',
    detail: () => 'The body of the request could not be read as JSON.',
  },
  'too-large': {
    title: 'Too large',
    detail: (f) =>
      `At most ${f.most} are taken here${f.found ? `; this has ${f.found}` : ', and this is more'}.`,
  },
  'too-deep': {
    title: 'Nested too deep',
    detail: (f) => `The body is nested more than ${f.most} levels deep; nothing that Orbis takes needs that.`,
  },
  'not-acceptable': {
    title: 'Nothing acceptable',
    detail: (f) => `The request accepts ${f.takes ?? 'something else'}; the answer is application/json.`,
  },
  'unsupported-type': {
    title: 'Wrong type',
    detail: (f) =>
      `This takes ${f.takes ?? 'application/json'}; what arrived is ${f.found ?? 'of no stated type'}.`,
  },
  'unsupported-encoding': {
    title: 'Compressed',
    detail: (f) => `The body is compressed (${f.found}); send it as it is.`,
  },
  'not-found': {
    title: 'Not found',
    detail: (f) => `There is no ${f.what} “${f.key}”.${f.remedy ? ` ${f.remedy}` : ''}`,
  },
  'no-route': {
    title: 'No such address',
    detail: (f) => `Nothing answers at ${f.path}. The interface is described at /api/openapi.json.`,
  },
  'method-not-allowed': {
    title: 'Method not allowed',
    detail: (f) => `${f.path} does not take ${f.method}; it takes ${f.allowed}.`,
  },
  'not-signed-in': {
    title: 'Not signed in',
    detail: () => 'Nobody is signed in here. Sign in first.',
  },
  'wrong-password': {
    title: 'Wrong password',
    detail: (f) =>
      `${f.named ? 'That is not the name or not the password' : 'That is not the password'}. If it is lost, an owner can make a link for a new one, and so can “npm run reset-password” on the server’s own machine.`,
  },
  'link-used': {
    title: 'Link no longer valid',
    detail: () =>
      'This link has been used, or its time is over. An owner can make a new one, and so can “npm run reset-password” on the server’s own machine.',
  },
  'token-unknown': {
    title: 'Token not valid',
    detail: () => 'This token is not known, was revoked, or its time is over. Sign in again for a new one.',
  },
  'cross-site': {
    title: 'Refused',
    detail: () =>
      'Orbis answers its own pages and programs only; this request came from a page of another site.',
  },
  'unknown-host': {
    title: 'Another name',
    detail: (f) =>
      `Orbis does not answer as ${f.host || 'a host without a name'}. Its address is ${f.home}; ORBIS_PUBLIC_URL says so where it is another one.`,
  },
  'token-read-only': {
    title: 'Only reading',
    detail: () => 'This token may only read. Use one that may change things as well.',
  },
  'password-weak': {
    title: 'Password too short',
    detail: (f) => `A password needs at least ${f.least} characters; a short sentence is easy to remember.`,
  },
  'password-common': {
    title: 'Password in common use',
    detail: () =>
      'Many people use this password, so it is among the first that others try. Take another one; a short sentence of your own is good.',
  },
  'too-many-attempts': {
    title: 'Too many attempts',
    detail: (f) =>
      `There were too many attempts to sign in. Wait ${waitInWords(Number(f.seconds))} and try again.`,
  },
  'if-match-missing': {
    title: 'State not named',
    detail: () =>
      'Say with If-Match which state you are changing (the ETag that came with it), so that nobody’s change is lost.',
  },
  'if-match-stale': {
    title: 'Changed in the meantime',
    detail: (f) =>
      `${f.by ?? 'Somebody'} changed this ${f.what} since you read it${f.said ? ` (${f.said})` : ''}. Read it again, and make your change on the new state.`,
  },
  'nothing-pasted': {
    title: 'Nothing there',
    detail: () =>
      'There is nothing in what was pasted. Paste the code or the link that the provider hands out.',
  },
  'text-too-much': { title: 'More than Orbis reads', detail: (f) => `${f.problem}` },
  'reading-too-slow': {
    title: 'Too slow to read',
    detail: (f) =>
      `Reading this took longer than ${f.seconds} seconds, so it was given up. Nothing was kept. Paste only the code, or a shorter page.`,
  },
  'reading-too-large': {
    title: 'Too much to read',
    detail: (f) =>
      `Reading this took more than ${f.most} MB of memory, so it was given up. Nothing was kept. Paste only the code, or a shorter page.`,
  },
  'too-busy': {
    title: 'Too busy',
    detail: () =>
      'There is more to read at the moment than Orbis can. Nothing was kept. Try again in a few seconds.',
  },
  'browser-missing': {
    title: 'No browser',
    detail: () =>
      'This needs the browser Chromium on the machine where Orbis runs, and there is none. Install it there (on Debian: apt-get install chromium-headless-shell) and start Orbis again; nothing else depends on it.',
  },
  'browser-failed': {
    title: 'The browser failed',
    detail: (f) =>
      `Chromium could not do this: ${f.why}. Try again; if it stays so, see that Chromium runs on the machine where Orbis runs.`,
  },
  'browser-too-slow': {
    title: 'Too slow',
    detail: (f) =>
      `It was not done within ${f.seconds} seconds: what the code shows may load too slowly. Try again later.`,
  },
  'browser-busy': {
    title: 'The browser is busy',
    detail: () => 'Chromium has more to look at than it can at the moment. Try again in half a minute.',
  },
  'selector-finds-nothing': {
    title: 'Nothing there',
    detail: (f) =>
      `Nothing on ${f.page} is at “${f.selector}”, or what is there does not show. Choose one of the page’s elements that do.`,
  },
  'nothing-to-photograph': {
    title: 'Nothing to photograph',
    detail: () =>
      'The embed showed nothing that could be photographed: it stays empty, or what it shows has no height.',
  },
  'no-picture-named': {
    title: 'No picture named',
    detail: () =>
      'No provider named a picture of this: that is asked where a link is collected. Take one of what the embed shows instead.',
  },
  'no-code': {
    title: 'No embed code',
    detail: () =>
      'This is text without any code in it. Paste the code or the link that the provider hands out.',
  },
  'provider-unknown': {
    title: 'Provider not known',
    detail: (f) =>
      `There is no provider “${f.provider}”. An item is named by the id of its provider’s sheet and its own: provider:item.`,
  },
  'visible-code': {
    title: 'Code as text',
    detail: () =>
      'This is a code that was copied as text: visitors would read it instead of seeing the embed. Let it be mended, or copy it from the provider’s own field once more, as plain text.',
  },
  'several-links': {
    title: 'Several links',
    detail: (f) =>
      `There are ${f.count} links in this. Each becomes an embed of its own: collect them as links, not as one code.`,
  },
  'link-not-known': {
    title: 'Link not known',
    detail: (f) =>
      `No provider sheet knows links like ${f.link}. Copy the provider’s embed code instead of the link.`,
  },
  'no-link': {
    title: 'Not a link',
    detail: (f) => `“${f.found}” is not a link. A link begins with https:// or http://.`,
  },
  'link-unreachable': {
    title: 'Link not read',
    detail: (f) =>
      `The link could not be followed: ${f.why}${f.remedy ? ` ${f.remedy}` : ''} Nothing was collected; it can be collected without asking anybody.`,
  },
  'link-refuses-frames': {
    title: 'Not to be framed',
    detail: (f) =>
      `${f.host} cannot be shown in a frame: ${f.reason}. Nothing was collected; put a link to it on your page instead.`,
  },
  'link-not-shown': {
    title: 'Nothing to show',
    detail: (f) =>
      `What ${f.host} sends is ${f.type}, which browsers do not show in a page. Nothing was collected; put a link to it on your page instead.`,
  },
  'marked-code': {
    title: 'Already in the register',
    detail: (f) =>
      `This code was handed out by Orbis: it is the embed “${f.embed}”. Change that one instead of collecting it again.`,
  },
  'key-taken': {
    title: 'Already there',
    detail: (f) =>
      f.removed
        ? `The ${f.what} “${f.key}” was removed, and the register keeps what was placed on it. Add it again to have it back, or choose another path.`
        : `There is a ${f.what} “${f.key}” already.`,
  },
  'too-many-shared-spots': {
    title: 'Too many spots that many pages have',
    detail: (f) => `The site ${f.site} has ${f.most} of them already, which is the most. Remove one first.`,
  },
  'too-many-blocks': {
    title: 'Too many blocks',
    detail: (f) => `The site ${f.site} has ${f.most} of them already, which is the most. Remove one first.`,
  },
  'no-block': {
    title: 'Not so of a page, or of a block',
    detail: (f) =>
      f.isBlock
        ? `${f.key} is a block, which many pages show: it has no path of its own.`
        : `${f.key} is a page, and stands for itself. Only of a block, such as ${f.site}/{footer}, is said which pages show it.`,
  },
  'in-use': { title: 'Still in use', detail: (f) => `The ${f.what} “${f.key}” cannot be removed: ${f.by}.` },
  'address-invalid': {
    title: 'Not an address',
    detail: (f) =>
      `“${f.found}” is not the address of a site. It begins with https:// or http:// and names a host.`,
  },
  'shared-spot-invalid': {
    title: 'Not a shared spot',
    detail: (f) =>
      `“${f.found}” is not a spot that many pages have. It is written site#spot, for example hollinfell#main.`,
  },
  'place-invalid': {
    title: 'Not a place',
    detail: (f) =>
      `“${f.found}” is not a place. A place is written site/path#spot, for example hollinfell/talks#main; the home page is hollinfell/#main.`,
  },
  'option-ambiguous': {
    title: 'Several have it',
    detail: (f) => `“${f.found}” is not the same with ${f.providers}. Say whose you mean, such as ${f.one}.`,
  },
  'value-invalid': {
    title: 'Value not understood',
    detail: (f) => `“${f.found}” is not a value for ${f.option}; it takes ${f.expected}.`,
  },
  'options-unfit': {
    title: 'Options that no longer fit',
    detail: (f) =>
      `With the newer code these options cannot be fulfilled: ${f.options}. Take them out first, or let them be dropped.`,
  },
  'sheet-invalid': {
    title: 'Not a provider sheet',
    detail: (f) => `This is not a provider sheet: ${f.problem}`,
  },
  'cannot-learn': { title: 'Nothing to learn', detail: (f) => `${f.problem}` },
  'list-invalid': {
    title: 'Not a list of providers',
    detail: (f) =>
      `This is not a list of oEmbed providers: ${f.why}. Such a list is a JSON array of objects with provider_name, provider_url and endpoints.`,
  },
  'sheet-other-id': {
    title: 'Another id',
    detail: (f) => `The sheet says that it is “${f.found}”, not “${f.expected}”. Save it under its own id.`,
  },
  'sheet-built-in': {
    title: 'Built in',
    detail: (f) =>
      `“${f.key}” is built in and stays. Save a sheet of your own with the same id to have that one used instead.`,
  },
  'sheet-changes-embeds': {
    title: 'Embeds would come out differently',
    detail: (f) =>
      `With this sheet ${f.count === 1 ? 'one embed comes' : `${f.count} embeds come`} out differently: ${f.embeds}. Look at them first; then save it all the same.`,
  },
  'sheet-in-use': {
    title: 'Sheet in use',
    detail: (f) =>
      `“${f.key}” is in use by ${f.count === 1 ? 'one embed' : `${f.count} embeds`}: ${f.embeds}. What they owe to it would be left out of their codes. It can be removed all the same.`,
  },
  'search-invalid': {
    title: 'Search not understood',
    detail: (f) => `Column ${f.column} of the search: ${f.problem}`,
  },
  'nothing-asked': {
    title: 'Nothing asked for',
    detail: () => 'Say what to change: options to set, or names of options to take back.',
  },
  'group-impossible': {
    title: 'Not possible for all',
    detail: (f) =>
      `${f.count === 1 ? 'One of the embeds' : `${f.count} of the embeds`} cannot have it: ${f.embeds}. Nothing was changed; leave them out of the search, or skip them.`,
  },
  'change-undone': {
    title: 'Already taken back',
    detail: (f) => `This was taken back already, on ${timeInWords(String(f.at))}.`,
  },
  'change-lasting': {
    title: 'Cannot be taken back',
    detail: (f) =>
      `“${f.said}” is not taken back by itself: ${f.kind === 'purged' ? 'what was purged is gone for good.' : f.kind === 'register-taken' ? 'all that there is came with it.' : 'embeds may be read differently with the sheet of before. Look at what would differ, and save that sheet again.'}`,
  },
  'changed-since': {
    title: 'Changed since',
    detail: (f) =>
      `Since then ${f.count === 1 ? 'this was' : `these ${f.count} were`} changed: ${f.things}. Nothing was taken back. Take back first what was done later, or change it by hand.`,
  },
  'import-refused': {
    title: 'Not all can be taken in',
    detail: (f) =>
      `${f.count === 1 ? 'One of them' : `${f.count} of them`} cannot be taken in: ${f.items}. Nothing was collected; leave them out, or skip them.`,
  },
  'register-file-invalid': {
    title: 'No register file',
    detail: (f) => `Line ${f.line}: ${f.problem}. Nothing was taken in.`,
  },
  'register-not-empty': {
    title: 'Not empty',
    detail: () =>
      'A whole register is taken in where there is none yet: here are sites, embeds, presets, sheets or providers already. Nothing was taken in.',
  },
  'another-thing': {
    title: 'Another thing',
    detail: (f) =>
      `${f.what === 'item' ? 'The code shows another item' : f.what === 'kind' ? 'The code is of another kind' : 'The code is another provider’s'}: “${f.embed}” has been ${f.was}, and this is ${f.is}. Nothing was changed. Collect it as an embed of its own, or say that it is meant to take its place all the same.`,
  },
  'embed-retired': {
    title: 'Retired',
    detail: (f) => `“${f.embed}” is retired. Restore it first.`,
  },
  'placement-paused': {
    title: 'Paused',
    detail: (f) => `“${f.embed}” is paused there: nothing of it is to be pasted. Let it go on first.`,
  },
  'nothing-to-list': {
    title: 'Nothing to list',
    detail: (f) => `The register has nothing that fits “${f.where}”: there is no page to put on a list.`,
  },
  'already-ticked': {
    title: 'Ticked already',
    detail: (f) =>
      `${f.step ? 'This step of' : 'The page'} ${f.page} was ticked already${f.by ? ` by ${f.by}` : ''}${f.at ? `, on ${timeInWords(String(f.at))}` : ''}.`,
  },
  'work-changed': {
    title: 'Something else is to be done',
    detail: (f) =>
      `What is to be done on ${f.page} has changed since you looked at it. Look again, and tick it then.`,
  },
  'embed-purged': {
    title: 'Purged',
    detail: (f) => `“${f.embed}” was purged: its code and its texts are gone. Collect the code anew.`,
  },
  'not-retired': {
    title: 'Not retired',
    detail: (f) => `“${f.embed}” is in use. What is purged is gone for good: retire it first.`,
  },
  'still-placed': {
    title: 'Still placed',
    detail: (f) =>
      `“${f.embed}” is still placed at ${f.count === 1 ? 'one place' : `${f.count} places`}. End ${f.count === 1 ? 'that' : 'those'} first, so that the register says what is to be taken out.`,
  },
  'link-over': {
    title: 'The link holds no more',
    detail: () =>
      'This link is not valid, or not any more: its days are over, or it was ended. Ask whoever sent it for a new one.',
  },
  'page-unreadable': {
    title: 'Page not read',
    detail: (f) => `The page could not be read: ${f.why}${f.remedy ? ` ${f.remedy}` : ''}`,
  },
  'specimen-missing': {
    title: 'No specimen',
    detail: (f) =>
      `The page ${f.page} shows nothing of the specimen. Paste it there, publish the page${Number(f.delay) > 0 ? `, wait ${f.delay} ${f.delay === 1 ? 'minute' : 'minutes'}` : ''}, and read it again; some editors are live only after minutes.`,
  },
  'sitemap-missing': {
    title: 'No sitemap',
    detail: (f) =>
      `No sitemap could be read at ${f.address}: ${f.why} Give the address of another one, or have the links on its pages followed.`,
  },
  'place-not-on-page': {
    title: 'Not on the page',
    detail: (f) =>
      `${f.asked} ${f.page}. ${f.has ? `It has: ${f.has}.` : 'It has no heading and no paragraph with words.'}`,
  },
  'already-taken': {
    title: 'Already taken',
    detail: (f) =>
      `Number ${f.number} was taken already: it is the embed “${f.embed}”. Nothing was collected.`,
  },
  'already-placed': {
    title: 'Already placed',
    detail: (f) => `“${f.embed}” is in ${f.place} already (placement ${f.placement}).`,
  },
  'address-not-of-site': {
    title: 'No address of the site',
    detail: (f) =>
      f.known === ''
        ? `The site ${f.site} has no further address. Add ${f.address} to it first.`
        : `${f.address} is no further address of the site ${f.site}: it has ${f.known}.`,
  },
  'nothing-to-sweep': {
    title: 'Nothing to read',
    detail: (f) =>
      f.block
        ? `No page is known that shows ${f.block}. Say which do, or have the pages of its whole site read: then it is seen.`
        : 'There is no page in the register that could be read. Add a site and its pages first.',
  },
  'sweep-ended': {
    title: 'Already ended',
    detail: () => 'This sweep has ended already.',
  },
  'time-passed': {
    title: 'That time has passed',
    detail: (f) => `${f.until} is no time to come. Name a later one.`,
  },
  'finding-without-code': {
    title: 'Nothing to collect',
    detail: () => 'This finding is not about a code that the register does not know, or it is solved by now.',
  },
  'job-running': {
    title: 'Already running',
    detail: (f) => `A sweep of this is running already (${f.sweep}).`,
  },
  'inspection-running': {
    title: 'Already running',
    detail: (f) => `Everything of ${f.site} is being checked already (${f.inspection}).`,
  },
  'inspection-ended': {
    title: 'Already ended',
    detail: () => 'This check of a site has ended already.',
  },
  'mail-not-set-up': {
    title: 'No mail server',
    detail: () => 'Orbis has no mail server by which it could send. Set ORBIS_SMTP_URL, and start it again.',
  },
  'too-many-channels': {
    title: 'Too many channels',
    detail: (f) => `There are ${f.most} channels already, which is the most. Remove one first.`,
  },
  'channel-unfit': {
    title: 'Not of this channel',
    detail: (f) => (channelUnfit[String(f.what)] ?? channelUnfit['feed'])!(String(f.channel)),
  },
  'feed-unknown': {
    title: 'No such feed',
    detail: () => 'No feed has this address. It was removed, or given another address.',
  },
  'message-sent': {
    title: 'It got through',
    detail: (f) => `The message ${f.message} has got through; it is not sent again.`,
  },
  'internal': {
    title: 'Something broke',
    detail: (f) => `Something broke inside Orbis. Its log has the details under request ${f.request}.`,
  },
  'database-away': {
    title: 'Database away',
    detail: () =>
      'The database does not answer at the moment. Nothing was left half done; Orbis brings it back by itself. Try again in a few seconds.',
  },
  'query-too-slow': {
    title: 'Took too long',
    detail: () =>
      'This took the database too long, so it was broken off. Nothing was changed. Ask for less at once, or try again later.',
  },
} as const satisfies Record<string, ErrorWords>;
