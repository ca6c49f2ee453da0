import { mostLinkDays } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { wholeNumber } from '../terminal.ts';
import { formatTimestamp } from '../text.ts';
import { every, limit, tellList } from '../things/every.ts';

interface Asked {
  days: string;
  end?: string;
}

export const addShare: AddCommand = (program, run) => {
  program
    .command('share')
    .argument('<page>', 'site and path, such as hollinfell/talks')
    .argument('[name]', 'whom the link is for; without it the links that hold are shown')
    .option('--days <number>', `how many days it holds, at most ${mostLinkDays}`, '14')
    .option('--end <id>', 'end a link before its time')
    .description('make a link by which others see the steps of a page, copy the codes and tick them')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis share hollinfell/talks "The web desk" --days 7\n  orbis share hollinfell/talks\n  orbis share hollinfell/talks --end 4n8c2m0q7z\n\nWhoever has the link sees the steps of this one page and nothing else, without signing in.',
    )
    .action((page: string, name: string | undefined, asked: Asked) =>
      run(async (tools) => {
        if (name !== undefined && asked.end !== undefined)
          throw new UsedWrongly('Either a name for a new link, or --end with the id of one.');
        if (name !== undefined) await make(page, name, daysIn(asked.days), tools);
        else if (asked.end !== undefined) await end(page, asked.end, tools);
        else await list(page, tools);
        return 0;
      }),
    );
};

async function make(page: string, name: string, days: number, { client, tell }: Tools): Promise<void> {
  const { data } = await client().call('planLinks.create', { params: { page }, body: { name, days } });
  tell(
    data,
    () =>
      `${data.url}\nIt shows the steps of ${page} and nothing else, until ${formatTimestamp(data.expiresAt)}. It is shown only this once.\n`,
  );
}

async function end(page: string, link: string, { client, confirm }: Tools): Promise<void> {
  await client().call('planLinks.delete', { params: { page, link } });
  confirm({ page, link }, () => `The link leads nowhere any more.\n`);
}

async function list(page: string, tools: Tools): Promise<void> {
  const items = await every((after) =>
    tools.client().call('planLinks.list', { params: { page }, query: { limit, after } }),
  );
  tellList(
    tools,
    items,
    {
      'link': ({ id }) => id,
      'for': ({ name }) => name,
      'holds until': ({ expiresAt }) => formatTimestamp(expiresAt),
    },
    `No link leads to the steps of ${page}. “orbis share ${page} NAME” makes one.`,
  );
}

/* @throws UsedWrongly */
function daysIn(word: string): number {
  const days = wholeNumber(word, 1, mostLinkDays);
  if (days === null)
    throw new UsedWrongly(`“${word}” is not a number of days. Say a whole number from 1 to ${mostLinkDays}.`);
  return days;
}
