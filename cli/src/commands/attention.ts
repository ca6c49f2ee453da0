import { Option } from 'commander';
import {
  findingLists,
  formatRule,
  mostFindingsCounted,
  plural,
  type Attention,
  type FindingList,
  type KeptFinding,
} from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import { describeFinding } from '../describe/finding.ts';
import type { Exit } from '../io.ts';
import { table } from '../text.ts';
import { every, limit } from '../things/every.ts';

interface Asked {
  rule?: string;
  list: FindingList;
  counts?: true;
}

export const addAttention: AddCommand = (program, run) => {
  program
    .command('attention')
    .argument('[site]', 'the key of a site; without one, all sites')
    .option('--rule <rule>', 'only what was found by this rule, such as missing; “--counts” names them')
    .addOption(
      new Option(
        '--list <list>',
        'what wants doing, what waits, what is not to be told again, what is solved',
      )
        .choices(findingLists)
        .default('open'),
    )
    .addOption(
      new Option('--counts', 'only how much there is, by what was found').conflicts(['rule', 'list']),
    )
    .description('what wants attention, the worst first, each with what to do')
    .addHelpText(
      'after',
      `
Examples:
  orbis attention
  orbis attention hollinfell --rule altered
  orbis attention --list muted
  orbis change finding k3f9w2mzq7 --later 7d

“orbis change finding” takes notice of a finding, lets it wait, or has it not told again.
Exit status: 0 nothing but notes is open, 1 there are errors or warnings.`,
    )
    .action((site: string | undefined, asked: Asked) => run((tools) => attention(tools, site, asked)));
};

async function attention(
  tools: Tools,
  site: string | undefined,
  { rule, list, counts }: Asked,
): Promise<Exit> {
  const client = tools.client();
  if (counts) {
    const { data } = await client.call('findings.count', { query: {} });
    tools.tell(data, () => describeCounts(data, tools));
    return data.open.error + data.open.warning > 0 ? 1 : 0;
  }
  const query = { list, ...(site !== undefined && { site }), ...(rule !== undefined && { rule }) };
  const items = await every((after) => client.call('findings.list', { query: { ...query, limit, after } }));
  tools.tell(items, () =>
    items.length === 0
      ? `${nothing[list]}\n`
      : items.map((finding) => describeFinding(finding, tools)).join('\n'),
  );
  return list === 'open' && items.some(isBad) ? 1 : 0;
}

const isBad = ({ level }: KeptFinding): boolean => level !== 'note';

const nothing: Readonly<Record<FindingList, string>> = {
  open: 'Nothing wants attention. “orbis sweep” reads the published pages.',
  later: 'Nothing waits.',
  muted: 'There is nothing that is not to be told again.',
  solved: 'Nothing has been solved yet.',
};

function describeCounts({ open, rules, sites }: Attention, { colours }: Tools): string {
  const many = (count: number, name: string): string =>
    count < mostFindingsCounted ? plural(count, name) : `${count} ${name}s or more`;
  const sum = `${many(open.error, 'error')}, ${many(open.warning, 'warning')}, ${many(open.note, 'note')}.\n`;
  if (rules.length === 0) return sum;
  const byRule = rules.map(({ rule, count }) => [rule, formatRule(rule), String(count)]);
  const bySite = sites.map(({ site, name, count }) => [site, name, String(count)]);
  return `${sum}\n${table(['rule', 'what', 'open'], byRule, colours)}\n${table(['site', 'name', 'open'], bySite, colours)}`;
}
