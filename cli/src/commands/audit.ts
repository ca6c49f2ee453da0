import { Option } from 'commander';
import { actOutcomes, spoken, type AuditEntry } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { formatTimestamp } from '../text.ts';
import { personCalled } from '../things/person.ts';
import { tellList } from '../things/every.ts';
import { wholeNumber } from '../terminal.ts';

interface Options {
  person?: string;
  act?: string;
  thing?: string;
  outcome?: (typeof actOutcomes)[number];
  last?: string;
  check?: boolean;
  noted?: string;
  out?: string;
}

export const addAudit: AddCommand = (program, run) => {
  program
    .command('audit')
    .option('--person <name>', 'only what this person did')
    .option('--act <operation>', 'only this operation, or all of that name: sites.change, or sites')
    .option('--thing <thing>', 'only what was done to this, such as hollinfell/talks')
    .addOption(new Option('--outcome <outcome>', 'only what was done, or refused').choices(actOutcomes))
    .option('--last <n>', 'so many of the newest (50)')
    .option('--check', 'hold the log against its own chain instead')
    .option('--noted <number:hash>', 'with --check: the end of the chain as it was told before')
    .option('--out <file>', 'write the whole log into a file, a JSON text in each line')
    .description('who did what or was refused, from where; and whether the log is as it was written')
    .addHelpText(
      'after',
      `
Examples:
  orbis audit
  orbis audit --person "Tam Orrin" --outcome refused
  orbis audit --act people
  orbis audit --act server
  orbis audit --check
  orbis audit --out audit.ndjson

Each entry holds the hash of the one before: --check finds whatever was changed, taken out or put in. Note the
end that it tells somewhere else, and give it with --noted another time: then it shows as well whether the
end was cut off.

Exit status: 0 as it should be, 1 the chain is broken.`,
    )
    .action((options: Options) => run((tools) => audit(tools, options)));
};

function audit(tools: Tools, options: Options): Promise<Exit> {
  if (options.noted !== undefined && !options.check) throw new UsedWrongly('--noted goes with --check.');
  if (options.check) return checkLog(tools, options.noted);
  return options.out === undefined ? tellLog(tools, options) : writeLog(tools, options.out);
}

async function tellLog(tools: Tools, { person, act, thing, outcome, last = '50' }: Options): Promise<Exit> {
  const limit = wholeNumber(last, 1, 200);
  if (limit === null)
    throw new UsedWrongly(`“${last}” is not a number of entries. Say a whole number from 1 to 200.`);
  const client = tools.client();
  const who = person === undefined ? undefined : (await personCalled(client, person)).id;
  const query = { limit, person: who, act, thing, outcome };
  const { data } = await client.call('audit.list', { query });
  tellList(
    tools,
    data.items,
    {
      when: ({ at }) => formatTimestamp(at),
      who: whoInWords,
      what: ({ said, times }) => `${said}${times > 1 ? ` (${times} times)` : ''}`,
      thing: ({ thing: what }) => what ?? '–',
      outcome: ({ outcome: ended, why }) => (why === null ? ended : `${ended}: ${why}`),
      from: ({ network }) => network || '–',
    },
    'Nothing is like that.',
  );
  return 0;
}

const meansInWords: Partial<Record<AuditEntry['means'], string>> = {
  token: 'by token',
  link: 'by link',
  server: 'at the server',
};

const whoInWords = ({ who, means }: AuditEntry): string =>
  [who ?? (means === 'server' ? 'somebody' : 'nobody known'), meansInWords[means]]
    .filter((word) => word !== undefined)
    .join(', ');

async function checkLog(tools: Tools, noted: string | undefined): Promise<Exit> {
  const head = noted === undefined ? undefined : headIn(noted);
  const { data } = await tools.client().call('audit.check', { body: head ? { head } : {} });
  tools.tell(data, () => {
    const withheld =
      data.withheld === 0 ? '' : ` Of ${data.withheld} the texts went with embeds that were purged.`;
    const end = data.head === null ? '' : `Its end: ${data.head.number}:${data.head.hash}\n`;
    return `${data.broken?.said ?? spoken.audit.holds(data.entries)}${withheld}\n${end}`;
  });
  return data.broken === null ? 0 : 1;
}

function headIn(noted: string): { number: number; hash: string } {
  const [, number, hash] = /^(\d{1,10}):([0-9a-f]{64})$/.exec(noted) ?? [];
  if (number === undefined || hash === undefined)
    throw new UsedWrongly(
      'The end of the chain is a number and a hash, with a colon between, as --check tells it.',
    );
  return { number: Number(number), hash };
}

async function writeLog(tools: Tools, file: string): Promise<Exit> {
  const { body } = await tools.client().open('audit.export', {});
  await tools.io.writeStream(file, body!);
  tools.confirm({ file }, () => `Written to ${file}.\n`);
  return 0;
}
