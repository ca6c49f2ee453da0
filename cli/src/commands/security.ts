import type { Command } from 'commander';
import { demandedOf, spoken, type DemandedOf, type FactorAdded, type Security } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Run, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { askPassword } from '../password.ts';
import { facts, formatTimestamp } from '../text.ts';
import { every, limit } from '../things/every.ts';

interface Given {
  passwordStdin?: boolean;
}

export const addSecurity: AddCommand = (program, run) => {
  const security = program
    .command('security')
    .description('second factors: passkeys, codes of an app, recovery codes')
    .addHelpText(
      'after',
      `
Examples:
  orbis security show
  orbis security codes
  orbis security demand all

${spoken.security.explain}
Passkeys are made in the console, under “Security”, as a browser has to be there.`,
    );
  security
    .command('show')
    .description('by what you sign in, and what is demanded of everybody')
    .action(() =>
      run(async (tools) => {
        const { data } = await tools.client().call('security.read');
        tools.tell(data, () => describeSecurity(data, tools));
        return 0;
      }),
    );
  addCodes(security, run);
  addRemovals(security, run);
  security
    .command('recovery-codes')
    .option('--password-stdin', 'read the password from standard input')
    .description('new recovery codes in place of all that there were; they are printed this once')
    .action(({ passwordStdin }: Given) =>
      run(async (tools) => {
        const password = await askPassword(tools, passwordStdin);
        const { data } = await tools.client().call('recoveryCodes.create', { body: { password } });
        tools.note(`${spoken.security.recoveryKeep}\n`);
        tools.tell(data, () => `${data.codes.join('\n')}\n`);
        return 0;
      }),
    );
  addDemand(security, run);
};

function addCodes(security: Command, run: Run): void {
  security
    .command('codes')
    .option('--code <code>', 'the code that the app shows, where it was set up by the same command before')
    .option('--password-stdin', 'read the password from standard input')
    .description('have codes of an app asked for at each sign-in')
    .addHelpText(
      'after',
      `
Examples:
  orbis security codes                   prints what the app is told, and asks for its first code
  orbis security codes --code 492039     gives that code, where nobody could be asked

${spoken.security.codes}`,
    )
    .action(({ code, passwordStdin }: Given & { code?: string }) =>
      run((tools) => (code === undefined ? beginCodes(tools, passwordStdin) : confirmCodes(tools, code))),
    );
}

/* Tells the app’s secret, and asks for the first code where somebody sits there. */
async function beginCodes(tools: Tools, passwordStdin: boolean | undefined): Promise<Exit> {
  const password = await askPassword(tools, passwordStdin);
  const { data } = await tools.client().call('codes.begin', { body: { password } });
  const { ask } = tools.io;
  if (ask) {
    tools.note(`Give this to your app:\n\n  ${data.secret}\n  ${data.address}\n\n`);
    return confirmCodes(tools, await ask('Code that the app shows: '));
  }
  tools.tell(data, () => `${data.secret}\n${data.address}\n`);
  tools.note('Give that to your app, and then its code: orbis security codes --code CODE\n');
  return 0;
}

async function confirmCodes(tools: Tools, code: string): Promise<Exit> {
  const { data } = await tools.client().call('codes.confirm', { body: { code } });
  tools.confirm(data, () => 'From now on a code is asked for at each sign-in.\n');
  tellRecovery(tools, data);
  return 0;
}

function tellRecovery(tools: Tools, { recovery }: FactorAdded): void {
  if (recovery === null || tools.json) return;
  tools.note(`${spoken.security.recoveryKeep}\n\n`);
  tools.io.out(`${recovery.join('\n')}\n`);
}

function addRemovals(security: Command, run: Run): void {
  security
    .command('no-codes')
    .option('--password-stdin', 'read the password from standard input')
    .description('have no codes of an app asked for any more')
    .action(({ passwordStdin }: Given) =>
      run(async (tools) => {
        const password = await askPassword(tools, passwordStdin);
        const { data } = await tools.client().call('codes.remove', { body: { password } });
        tools.confirm(data, () => 'No code is asked for any more.\n');
        return 0;
      }),
    );
  security
    .command('forget')
    .argument('<passkey>', 'what it is called, as “orbis security show” says')
    .option('--password-stdin', 'read the password from standard input')
    .description('forget a passkey: it lets nobody in any more')
    .action((name: string, { passwordStdin }: Given) =>
      run(async (tools) => {
        const { data: now } = await tools.client().call('security.read');
        const found = passkeyCalled(now, name);
        const password = await askPassword(tools, passwordStdin);
        const { data } = await tools
          .client()
          .call('passkeys.remove', { params: { passkey: found.id }, body: { password } });
        tools.confirm(data, () => `The passkey “${found.name}” is forgotten.\n`);
        return 0;
      }),
    );
}

/* @throws UsedWrongly */
function passkeyCalled({ passkeys }: Security, name: string): Security['passkeys'][number] {
  const found = passkeys.find((each) => each.name === name || each.id === name);
  if (found) return found;
  const names = passkeys.map((each) => `“${each.name}”`);
  throw new UsedWrongly(
    `You have no passkey “${name}”. ${names.length === 0 ? 'You have none.' : `There ${names.length === 1 ? 'is' : 'are'} ${spoken.people.listed(names)}.`}`,
  );
}

function addDemand(security: Command, run: Run): void {
  security
    .command('demand')
    .argument('<of>', `of whom: ${demandedOf.join(' or ')}`)
    .option('--dry-run', 'only say who has none yet')
    .description('demand a second factor of everybody, or leave it to everybody’s choice')
    .addHelpText('after', `\nExamples:\n  orbis security demand all --dry-run\n  orbis security demand all`)
    .action((word: string, { dryRun = false }: { dryRun?: boolean }) =>
      run(async (tools) => {
        const of = demandedOf.find((each) => each === word);
        if (!of) throw new UsedWrongly(`“${word}” is neither ${demandedOf.join(' nor ')}.`);
        return demand(tools, of, dryRun);
      }),
    );
}

async function demand(tools: Tools, of: DemandedOf, dryRun: boolean): Promise<Exit> {
  const client = tools.client();
  const everybody = await every((after) => client.call('people.list', { query: { limit, after } }));
  const without = everybody.filter(({ state, secondFactor }) => state === 'active' && !secondFactor);
  const names = without.map(({ name }) => name);
  const said =
    `${spoken.security.demanded[of]} ${of === 'all' ? spoken.security.lacking(names, 0) : ''}`.trim();
  if (dryRun) {
    tools.tell({ of, without: names }, () => `${said}\n`);
    return 0;
  }
  const { data } = await client.call('security.demand', { body: { of } });
  tools.confirm({ ...data, without: names }, () => `${said}\n`);
  return 0;
}

const describeSecurity = (data: Security, { colours }: Tools): string =>
  facts(
    [
      [
        'You sign in by',
        spoken.security.signsInBy({ codes: data.codesSince !== null, passkeys: data.passkeys.length }),
      ],
      ...data.passkeys.map(({ name, lastUsedAt, createdAt }): [string, string] => [
        'Passkey',
        `${name}, ${lastUsedAt === null ? `made ${formatTimestamp(createdAt)}` : `used ${formatTimestamp(lastUsedAt)}`}`,
      ]),
      ...(data.codesSince === null
        ? []
        : [['Codes since', formatTimestamp(data.codesSince)] as [string, string]]),
      ...(data.codesSince === null && data.passkeys.length === 0
        ? []
        : [['Recovery codes', spoken.security.recovery(data.recoveryCodes)] as [string, string]]),
      ['Of everybody', spoken.security.demanded[data.demandedOf]],
    ],
    colours,
  );
