import { linkIn } from '@orbis/core';
import type { Harvest } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeHarvest } from '../describe/harvest.ts';
import { pasted } from '../pasted.ts';

interface Options {
  take?: string[];
  tag?: string[];
}

export const addHarvest: AddCommand = (program, run) => {
  program
    .command('harvest')
    .argument(
      '<page>',
      'the address of a page, a saved page, - for standard input, or the id of an earlier harvest',
    )
    .option(
      '--take <numbers...>',
      'collect these, by their numbers; “all” for whatever is new and not your own file',
    )
    .option('--tag <tag...>', 'tags for what is collected')
    .description('find every embed on a whole page of yours, and collect what you choose')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis harvest http://hollinfell.localhost:7430/stories/twelve-winters\n  orbis harvest saved-page.html --take all --tag archive\n  orbis harvest 7k2m9x4qtz --take 1 3\n\nExit status: 0 done, 1 an error was found on the page, 2 used wrongly, 3 the page could not be read.',
    )
    .action((page: string, options: Options) =>
      run(async (tools) => {
        if (options.tag && !options.take)
          throw new UsedWrongly('--tag is for what is collected: say with --take what that is.');
        const client = tools.client();
        const found = await read(page, tools);
        const wanted = options.take ? numbersOf(options.take, found) : [];
        const taken =
          wanted.length === 0
            ? []
            : (
                await client.call('harvests.take', {
                  params: { harvest: found.id },
                  body: { items: wanted.map((number) => ({ number })), tags: options.tag ?? [] },
                })
              ).data.items;
        const now =
          taken.length === 0
            ? found
            : (await client.call('harvests.read', { params: { harvest: found.id } })).data;
        tools.tell(now, () => describeHarvest(now, taken, tools));
        return now.findings.some((finding) => finding.level === 'error') ? 1 : 0;
      }),
    );
};

const isId = (what: string): boolean => /^[0-9a-hjkmnp-tv-z]{10}$/.test(what);

async function read(page: string, tools: Tools): Promise<Harvest> {
  const client = tools.client();
  const address = linkIn(page);
  if (address) return (await client.call('harvests.create', { body: { address } })).data;
  if (isId(page)) return (await client.call('harvests.read', { params: { harvest: page } })).data;
  const name = page === '-' ? undefined : page.split(/[\\/]/).at(-1);
  return (
    await client.call('harvests.create', {
      body: { text: await pasted(page, tools.io), ...(name === undefined ? {} : { name }) },
    })
  ).data;
}

function numbersOf(said: readonly string[], { items }: Harvest): number[] {
  if (said.length === 1 && said[0] === 'all')
    return items.filter(({ state, own }) => state === 'offered' && !own).map(({ number }) => number);
  return said
    .flatMap((word) => word.split(','))
    .filter(Boolean)
    .map((word) => {
      const number = Number(word);
      if (!Number.isInteger(number) || number < 1)
        throw new UsedWrongly(`“${word}” is not a number of the list. Give numbers, or “all”.`);
      return number;
    });
}
