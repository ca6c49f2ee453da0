import { Option } from 'commander';
import {
  personRoles,
  siteRoles,
  spoken,
  type Client,
  type PersonDetails,
  type PersonRole,
  type SiteRole,
} from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { facts, formatTimestamp, type Colours } from '../text.ts';
import { wholeNumber } from '../terminal.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Everybody who works with Orbis, or did. */
const everybody = (client: Client): Promise<PersonDetails[]> =>
  every((after) => client.call('people.list', { query: { limit, after } }));

/** Somebody by what they are called. @throws UsedWrongly */
export async function personCalled(client: Client, name: string): Promise<PersonDetails> {
  const all = await everybody(client);
  const found = all.find((each) => each.id === name || each.name.toLowerCase() === name.toLowerCase());
  if (found) return found;
  throw new UsedWrongly(
    `Nobody is called “${name}”. There are ${spoken.people.listed(all.map((each) => each.name))}.`,
  );
}

interface Granted {
  role?: PersonRole | 'none';
  site?: string[];
  email?: string;
}

/** Who works with Orbis, and what each of them may do. */
export const person: Thing = {
  list: (verb, run) => {
    verb
      .command('people')
      .description('who works with Orbis, and what each of them may do')
      .action(() => run(tellPeople));
  },
  show: (verb, run) => {
    verb
      .command('person')
      .argument('<name>', 'what they are called')
      .description('somebody, with what they may do and what they have made')
      .addHelpText('after', '\nExample:\n  orbis show person "Ilse Varga"')
      .action((name: string) =>
        run(async (tools) => {
          const client = tools.client();
          const found = await personCalled(client, name);
          const { data: made } = await client.call('people.standing', { params: { person: found.id } });
          tools.tell({ ...found, made }, () => describePerson(found, made, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('person')
      .argument('<name>', 'what they are called, and sign in by')
      .addOption(roleOption('what they are for everything'))
      .option('--site <site=role...>', 'what they are on a single site, such as hollinfell=placer')
      .option('--email <address>', 'where the invitation goes by mail, where a mail server is set up')
      .option('--days <n>', 'how long the link holds (7)')
      .description('invite somebody: a link is printed by which they set a password, once')
      .addHelpText(
        'after',
        `
Examples:
  orbis add person "Ilse Varga" --role editor --email ilse@hollinfell.example
  orbis add person "Tam Orrin" --site hollinfell=placer --site moorwalks=reader

${rolesInWords()}`,
      )
      .action((name: string, options: Granted & { days?: string }) =>
        run((tools) => addPerson(tools, name, options)),
      );
  },
  change: (verb, run) => {
    verb
      .command('person')
      .argument('<name>', 'what they are called')
      .option('--name <name>', 'call them something else; they sign in by it')
      .addOption(roleOption('what they are for everything; none for single sites alone', ['none']))
      .option(
        '--site <site=role...>',
        'what they are on a single site, such as hollinfell=editor; hollinfell=none takes that back',
      )
      .option('--email <address>', 'where invitations go; none takes it away')
      .description('what somebody is called, or what they may do; that holds at once')
      .addHelpText(
        'after',
        `
Examples:
  orbis change person "Tam Orrin" --role editor
  orbis change person "Tam Orrin" --role none --site hollinfell=editor

${rolesInWords()}`,
      )
      .action((name: string, options: Granted & { name?: string }) =>
        run((tools) => changePerson(tools, name, options)),
      );
  },
  remove: (verb, run) => {
    verb
      .command('person')
      .argument('<name>', 'what they are called')
      .option('--dry-run', 'only say what would end, and what stays')
      .description('somebody: they are signed out everywhere; what they made stays')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis remove person "Tam Orrin" --dry-run\n  orbis remove person "Tam Orrin"\n\n“orbis people link NAME” makes a link by which they come back.',
      )
      .action((name: string, options: { dryRun?: boolean }) =>
        run((tools) => removePerson(tools, name, options)),
      );
  },
};

const roleOption = (description: string, more: readonly string[] = []): Option =>
  new Option('--role <role>', description).choices([...personRoles, ...more]);

const rolesInWords = (): string =>
  personRoles.map((role) => `  ${role.padEnd(8)}${spoken.people.may[role]}`).join('\n');

/** Tells who works with Orbis. */
export async function tellPeople(tools: Tools): Promise<Exit> {
  tellList(
    tools,
    await everybody(tools.client()),
    {
      'name': ({ name }) => name,
      'may do': (each) => spoken.people.grants(each),
      'state': stateInWords,
      'second factor': ({ state, secondFactor }) =>
        state === 'active' ? (secondFactor ? 'yes' : 'no') : '–',
      'last here': ({ seenAt }) => (seenAt === null ? '–' : formatTimestamp(seenAt)),
    },
    'There is nobody.',
  );
  return 0;
}

function stateInWords({ state, invitedUntil }: PersonDetails): string {
  if (state === 'active') return 'signs in';
  if (state === 'removed') return 'removed';
  return invitedUntil === null
    ? 'invited; the link is over'
    : `invited until ${formatTimestamp(invitedUntil)}`;
}

async function addPerson(
  tools: Tools,
  name: string,
  { role, site = [], email, days }: Granted & { days?: string },
): Promise<Exit> {
  const grants = sitesIn(site).map(({ site: on, role: as }) => ({ site: on, role: mustBeRole(as, on) }));
  if (role === undefined && grants.length === 0)
    throw new UsedWrongly('Say what they may do: --role ROLE for everything, or --site SITE=ROLE.');
  const { data } = await tools.client().call('people.create', {
    body: {
      ...{ name, role: role === 'none' ? null : (role ?? null), sites: grants },
      ...(email !== undefined && { email }),
      ...daysOfLink(days),
    },
  });
  tools.note(
    `${data.name} is invited as ${spoken.people.grants(data)}. ${spoken.people.mailed[data.mailed]} The link holds once, until ${formatTimestamp(data.expiresAt)}:\n`,
  );
  tools.tell(data, () => `${data.link}\n`);
  return 0;
}

/** How long a link is to hold. @throws UsedWrongly */
export function daysOfLink(word: string | undefined): { days?: number } {
  if (word === undefined) return {};
  const days = wholeNumber(word, 1, 30);
  if (days === null)
    throw new UsedWrongly(`“${word}” is not a number of days. Say a whole number from 1 to 30.`);
  return { days };
}

/* As they are typed: hollinfell=placer. */
const sitesIn = (words: readonly string[]): { site: string; role: string }[] =>
  words.map((word) => {
    const [site, role, ...more] = word.split('=');
    if (!site || !role || more.length > 0)
      throw new UsedWrongly(`“${word}” is not as a site and a role are written: hollinfell=placer.`);
    return { site, role };
  });

function mustBeRole(role: string, site: string): SiteRole {
  const found = siteRoles.find((each) => each === role);
  if (found) return found;
  throw new UsedWrongly(
    `“${role}” is no role on a single site (${site}). There are ${spoken.people.listed(siteRoles)}.`,
  );
}

async function changePerson(
  tools: Tools,
  called: string,
  { name, role, site = [], email }: Granted & { name?: string },
): Promise<Exit> {
  if ([name, role, email].every((each) => each === undefined) && site.length === 0)
    throw new UsedWrongly('Say what to change: --name, --role, --site or --email.');
  const client = tools.client();
  const { id } = await personCalled(client, called);
  const now = await client.call('people.read', { params: { person: id } });
  const { data } = await client.call('people.change', {
    params: { person: id },
    ifMatch: now.etag ?? '',
    body: {
      ...(name !== undefined && { name }),
      ...(role !== undefined && { role: role === 'none' ? null : role }),
      ...(email !== undefined && { email: email === 'none' ? null : email }),
      ...(site.length > 0 && { sites: withGrants(now.data.sites, sitesIn(site)) }),
    },
  });
  tools.confirm(data, () => `${data.name} is ${spoken.people.grants(data)} from now on.\n`);
  return 0;
}

function withGrants(
  now: PersonDetails['sites'],
  asked: readonly { site: string; role: string }[],
): PersonDetails['sites'] {
  const by = new Map(now.map(({ site, role }) => [site, role]));
  for (const { site, role } of asked)
    if (role === 'none') by.delete(site);
    else by.set(site, mustBeRole(role, site));
  return [...by].map(([site, role]) => ({ site, role }));
}

type Standing = Awaited<ReturnType<typeof standingOf>>;
const standingOf = async (client: Client, id: string) =>
  (await client.call('people.standing', { params: { person: id } })).data;

async function removePerson(
  tools: Tools,
  name: string,
  { dryRun = false }: { dryRun?: boolean },
): Promise<Exit> {
  const client = tools.client();
  const found = await personCalled(client, name);
  const standing = await standingOf(client, found.id);
  const said = spoken.people.removing(found.name, standing);
  if (dryRun) {
    tools.tell({ person: found.name, ...standing }, () => `${said}\n`);
    return 0;
  }
  const { etag } = await client.call('people.read', { params: { person: found.id } });
  await client.call('people.remove', { params: { person: found.id }, ifMatch: etag ?? '' });
  tools.confirm({ removed: found.name, ...standing }, () => `${found.name} is removed. ${said}\n`);
  return 0;
}

const describePerson = (each: PersonDetails, made: Standing, colours: Colours): string =>
  facts(
    [
      ['Name', each.name],
      ['May do', spoken.people.grants(each)],
      ['State', stateInWords(each)],
      ...(each.email === null ? [] : [['Mail', each.email] as [string, string]]),
      ...(each.invitedBy === null ? [] : [['Invited by', each.invitedBy] as [string, string]]),
      ['Second factor', each.secondFactor ? 'yes' : 'no'],
      ['Here since', formatTimestamp(each.createdAt)],
      ['Last here', each.seenAt === null ? 'never' : formatTimestamp(each.seenAt)],
      ['Has made', spoken.people.made(made)],
      ['Signed in with', spoken.people.signedIn(made)],
    ],
    colours,
  );
