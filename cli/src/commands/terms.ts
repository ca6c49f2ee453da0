import { Option } from 'commander';
import { parsePrice, type Price } from '@orbis/core';
import type { Terms, TermsValues } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeAllTerms, describeTerms } from '../describe/terms.ts';
import type { Exit } from '../io.ts';
import { wholeNumber } from '../terminal.ts';

interface Options {
  provider?: boolean;
  viewsAMonth?: string;
  price?: string;
  licence?: string;
  ends?: string;
  personalData?: 'yes' | 'no' | 'none';
}

export const addTerms: AddCommand = (program, run) => {
  program
    .command('terms')
    .argument('[name]', 'the key of an embed, or with --provider the id of a provider; without one, all')
    .option('--provider', 'the name is that of a provider')
    .option('--views-a-month <number>', 'how many the plan has; none for no limit')
    .option(
      '--price <price>',
      'such as "12.50 EUR a month", "90 GBP a year" or "40 EUR once"; none for nothing',
    )
    .option('--licence <words>', 'under what the content may be shown; none for nothing')
    .option('--ends <day>', 'the last day of the contract, as 2027-03-31; none where it does not end')
    .addOption(
      new Option(
        '--personal-data <yes|no>',
        'whether it may process personal data; none for nothing',
      ).choices(['yes', 'no', 'none']),
    )
    .description('what has been agreed upon with providers: limits, prices, licences, ends')
    .addHelpText(
      'after',
      `
Examples:
  orbis terms
  orbis terms kinorill --provider --price "12.50 EUR a month" --ends 2027-03-31
  orbis terms counter --views-a-month 10000 --personal-data no
  orbis terms counter --views-a-month none

Views are counted where Orbis serves the frame. What is written down is told of on the start screen before a
contract ends or a limit is reached.
Exit status: 1 where something of it wants looking at.`,
    )
    .action((name: string | undefined, options: Options) => run((tools) => terms(tools, name, options)));
};

async function terms(tools: Tools, name: string | undefined, { provider, ...asked }: Options): Promise<Exit> {
  const values = valuesIn(asked);
  if (name === undefined) {
    if (provider || Object.keys(values).length > 0)
      throw new UsedWrongly('Say of which embed, or with --provider of which provider.');
    return list(tools);
  }
  const [read, write] = provider ? ofProvider(tools, name) : ofEmbed(tools, name);
  const found = await read();
  if (Object.keys(values).length === 0) {
    tools.tell(found.data, () => describeTerms(found.data, tools));
    return exitFor([found.data]);
  }
  const { viewsAMonth, price, licence, ends, personalData } = { ...found.data, ...values };
  const body = { viewsAMonth, price, licence, ends, personalData };
  const { data } = await write(body, found.etag ?? '*');
  tools.confirm(data, () => describeTerms(data, tools));
  return exitFor([data]);
}

const exitFor = (all: readonly Terms[]): Exit => (all.some(({ findings }) => findings.length > 0) ? 1 : 0);

const ofEmbed = ({ client }: Tools, embed: string) =>
  [
    () => client().call('terms.ofEmbed', { params: { embed } }),
    (body: TermsValues, ifMatch: string) =>
      client().call('terms.writeOfEmbed', { params: { embed }, body, ifMatch }),
  ] as const;

const ofProvider = ({ client }: Tools, provider: string) =>
  [
    () => client().call('terms.ofProvider', { params: { provider } }),
    (body: TermsValues, ifMatch: string) =>
      client().call('terms.writeOfProvider', { params: { provider }, body, ifMatch }),
  ] as const;

async function list(tools: Tools): Promise<Exit> {
  const client = tools.client();
  const items: Terms[] = [];
  for (let after: string | undefined; ;) {
    const { data } = await client.call('terms.list', { query: { limit: 200, after } });
    items.push(...data.items);
    if (data.next === null) break;
    after = data.next;
  }
  const { costs } = (await client.call('terms.costs', {})).data;
  tools.tell({ items, costs }, () => describeAllTerms(items, costs, tools));
  return exitFor(items);
}

function valuesIn({ viewsAMonth, price, licence, ends, personalData }: Options): Partial<TermsValues> {
  return {
    ...(viewsAMonth !== undefined && { viewsAMonth: orNone(viewsAMonth, viewsIn) }),
    ...(price !== undefined && { price: orNone(price, priceIn) }),
    ...(licence !== undefined && { licence: licence === 'none' ? '' : licence }),
    ...(ends !== undefined && { ends: orNone(ends, (day) => day) }),
    ...(personalData !== undefined && { personalData: orNone(personalData, (word) => word === 'yes') }),
  };
}

const orNone = <T>(word: string, read: (word: string) => T): T | null =>
  word === 'none' ? null : read(word);

function viewsIn(word: string): number {
  const views = wholeNumber(word, 1, 2_000_000_000);
  if (views === null) throw new UsedWrongly(`“${word}” is no whole number from 1 on, and not “none”.`);
  return views;
}

function priceIn(text: string): Price {
  const price = parsePrice(text);
  if (!price)
    throw new UsedWrongly(
      `“${text}” is no price: write it as “12.50 EUR a month”, “90 GBP a year” or “40 EUR once”.`,
    );
  return price;
}
