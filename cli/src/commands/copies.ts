import { formatBytes, spoken, type Copy, type CopyStanding } from '@orbis/contract';
import type { AddCommand, Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { formatTimestamp } from '../text.ts';
import { every, limit, tellList } from '../things/every.ts';

export const addCopies: AddCommand = (program, run) => {
  program
    .command('copies')
    .option('--make', 'have one made now')
    .description('safety copies: whether they are made, and those that there are')
    .addHelpText(
      'after',
      `
Examples:
  orbis copies
  orbis copies --make

${spoken.copies.explain}
On the server’s own machine “npm run backup” makes one in any folder, and “npm run restore” puts one back.
It ends with 1 where the last one failed, is too old, or none are made.`,
    )
    .action(({ make = false }: { make?: boolean }) =>
      run((tools) => (make ? makeCopy(tools) : tellCopies(tools))),
    );
};

async function makeCopy(tools: Tools): Promise<Exit> {
  const { data } = await tools.client().call('copies.create', { body: {} });
  tools.confirm(data, () => 'A safety copy is being made. “orbis copies” says how it went.\n');
  return 0;
}

async function tellCopies(tools: Tools): Promise<Exit> {
  const client = tools.client();
  const { data: standing } = await client.call('copies.standing');
  const items = await every((after) => client.call('copies.list', { query: { limit, after } }));
  if (tools.json) tools.tell({ ...standing, items }, () => '');
  else {
    tools.note(inWords(standing));
    if (standing.standing !== 'off' || items.length > 0) tellRows(tools, items);
  }
  return standing.standing === 'good' || standing.standing === 'none' ? 0 : 1;
}

/** How it stands, in sentences. */
function inWords({ standing, folder, at, keep, readBack, lastAt, nextAt }: CopyStanding): string {
  const last = lastAt === null ? '' : ` It is of ${formatTimestamp(lastAt)}.`;
  const rest =
    folder === null || keep === null
      ? ''
      : `Each day at ${at} one goes to ${folder}; the next is due ${formatTimestamp(nextAt)}. ${spoken.copies.keeps(keep)} ${spoken.copies.readBack[readBack]}\n`;
  return `${spoken.copies.standings[standing]}${standing === 'good' || standing === 'late' ? last : ''}\n${rest}\n`;
}

const tellRows = (tools: Tools, items: readonly Copy[]): void =>
  tellList(
    tools,
    items,
    {
      of: ({ madeAt, createdAt }) => formatTimestamp(madeAt ?? createdAt),
      it: ({ state }) => spoken.copies.states[state],
      holds: ({ rows, files }) => (rows === null ? '–' : spoken.copies.holds({ rows, files: files ?? 0 })),
      size: ({ bytes }) => (bytes === null ? '–' : formatBytes(bytes)),
      file: ({ file, why }) => why ?? file ?? '–',
    },
    'There is no copy yet.',
  );
