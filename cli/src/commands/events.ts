import { follow, formatRule, spoken, whereFound, type NewsItem } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { fold, formatTimestamp, levelColour } from '../text.ts';
import { wholeNumber } from '../terminal.ts';

interface Asked {
  site?: string;
  last: string;
  follow?: true;
}

export const addEvents: AddCommand = (program, run) => {
  program
    .command('events')
    .option('--site <site>', 'only of this site')
    .option('--last <n>', 'so many of the last ones', '20')
    .option('--follow', 'and then each as it comes, until you press Ctrl+C')
    .description('what was found and solved, in its order')
    .addHelpText(
      'after',
      `
Examples:
  orbis events
  orbis events --follow --site hollinfell
  orbis events --follow --last 0 --json | while read -r event; do …; done

With --follow and --json each event is one line. Where the connection breaks off it is
made again, and nothing is left out in between.`,
    )
    .action((asked: Asked) => run((tools) => events(tools, asked)));
};

async function events(tools: Tools, { site, last, follow: follows }: Asked): Promise<Exit> {
  const number = wholeNumber(last, 0, 200);
  if (number === null) throw new UsedWrongly(`“${last}” is no number of events: say 0 to 200.`);
  const client = tools.client();
  const of = site === undefined ? {} : { site };
  const { items } = (await client.call('news.list', { query: { ...of, limit: Math.max(1, number) } })).data;
  const shown = items.slice(0, number).reverse();
  if (!follows) {
    tools.tell(shown, () =>
      shown.length === 0
        ? 'Nothing was found yet. “orbis sweep” reads the published pages.\n'
        : shown.map((item) => describeNews(item, tools)).join(''),
    );
    return 0;
  }
  const tell = (item: NewsItem): void =>
    tools.io.out(tools.json ? `${JSON.stringify(item)}\n` : describeNews(item, tools));
  shown.forEach(tell);
  const { signal } = tools.io;
  // What comes between the list and the stream is in the stream.
  const lastEventId = String(items[0]?.turn ?? 0);
  try {
    for await (const item of follow(client, 'news.follow', { query: of, signal, lastEventId }, () => false))
      tell(item);
  } catch (error) {
    if (!signal.aborted) throw error;
  }
  return 0;
}

function describeNews({ kind, at, finding }: NewsItem, { colours, io }: Tools): string {
  const { level, rule, embedName, message, id } = finding;
  const title = spoken.news.one({
    ...{ kind, title: formatRule(rule), what: embedName },
    where: whereFound(finding),
  });
  const mark = kind === 'solved' ? colours.green('solved') : levelColour(level, colours)(level);
  const head = `${colours.dim(formatTimestamp(at))}  ${mark}  ${colours.bold(title)}  ${colours.dim(id)}\n`;
  return `${head}${kind === 'solved' ? '' : fold(message, io.width, '  ')}`;
}
