import { Option, type Command } from 'commander';
import { isBlockPath, parsePage, type BlockPlacing } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { describePage, removePage } from './page.ts';
import { endsPlacements } from './standing.ts';
import type { Thing } from './thing.ts';

const argument = ['<block>', 'site and name, such as hollinfell/{footer}'] as const;

/** What is pasted once and shown by many pages: a side column, a footer, a block of the editor’s library. */
export const block: Thing = {
  show: (verb, run) => {
    verb
      .command('block')
      .argument(...argument)
      .description('which pages show it, and its spots')
      .addHelpText('after', '\nExample:\n  orbis show block hollinfell/{footer}')
      .action((key: string) =>
        run(async (tools) => {
          const page = blockKey(key);
          const { data } = await tools.client().call('pages.read', { params: { page } });
          tools.tell(data, () => describePage(data, tools.colours));
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    saying(verb)
      .description('what is pasted once and shown by many pages: a side column, a footer')
      .addHelpText(
        'after',
        '\nExamples:\n  orbis add block hollinfell/{footer} --title "Footer"\n  orbis add block hollinfell/{aside} --under talks/ --before\n  orbis add block hollinfell/{hours} --where-seen\n\nEvery page of the site shows it after its own content, if nothing else is said. “orbis add spot hollinfell/{footer}#main” names a spot in it; what is placed there is pasted once, and counts on every page that shows it.',
      )
      .action((key: string, asked: Asked) => run((tools) => addBlock(key, asked, tools)));
  },
  change: (verb, run) => {
    saying(verb)
      .description('say anew which pages show it, and where')
      .addHelpText('after', '\nExample:\n  orbis change block hollinfell/{footer} --under talks/')
      .action((key: string, asked: Asked) => run((tools) => changeBlock(key, asked, tools)));
  },
  remove: (verb, run) => {
    verb
      .command('block')
      .argument(...argument)
      .addOption(endsPlacements())
      .description('a block with its spots')
      .addHelpText(
        'after',
        '\nExample:\n  orbis remove block hollinfell/{footer}\n\n“orbis undo” has it again, with all that was placed in it.',
      )
      .action((key: string, { endPlacements = false }: { endPlacements?: boolean }) =>
        run((tools) => removePage({ page: blockKey(key), what: 'block' }, endPlacements, tools)),
      );
  },
};

/* What is said of one, when it is added and when it changes. */
const saying = (verb: Command): Command =>
  verb
    .command('block')
    .argument(...argument)
    .option('--title <title>', 'what to call it')
    .addOption(
      new Option('--under <path>', 'only pages whose paths begin so show it; "" for every page').conflicts(
        'whereSeen',
      ),
    )
    .option('--where-seen', 'the pages show it on which a sweep sees it')
    .addOption(new Option('--before', 'it stands before the own content of these pages').conflicts('after'))
    .option('--after', 'it stands after it');

interface Asked {
  title?: string;
  under?: string;
  whereSeen?: true;
  before?: true;
  after?: true;
}

/* Only what was said. */
const placingIn = ({ under, whereSeen, before, after }: Asked): Partial<BlockPlacing> => ({
  ...(under !== undefined && { under: under.replace(/^\//, '') }),
  ...(whereSeen && { under: null }),
  ...(before && { stands: 'before' as const }),
  ...(after && { stands: 'after' as const }),
});

/* People may leave the braces out, which say that it is no page. */
function blockKey(typed: string): string {
  const key = typed.replace(/^([^/{}]+)\/([^/{}#]+)$/, '$1/{$2}');
  if (!isBlockPath(parsePage(key).path))
    throw new UsedWrongly(`A block is written site/{name}, such as hollinfell/{footer}; “${typed}” is none.`);
  return key;
}

async function addBlock(typed: string, { title, ...asked }: Asked, tools: Tools): Promise<Exit> {
  const key = blockKey(typed);
  const name = parsePage(key).path.slice(1, -1);
  const called = title ?? `${name[0]!.toUpperCase()}${name.slice(1).replaceAll('-', ' ')}`;
  const body = { key, title: called, block: placingIn(asked) as BlockPlacing };
  const { data } = await tools.client().call('pages.create', { body });
  tools.confirm(data, () => `Added the block.\n${describePage(data, tools.colours)}`);
  return 0;
}

async function changeBlock(typed: string, { title, ...asked }: Asked, tools: Tools): Promise<Exit> {
  const block = placingIn(asked);
  if (title === undefined && Object.keys(block).length === 0)
    throw new UsedWrongly('Say what to change: --title, --under, --where-seen, --before or --after.');
  const client = tools.client();
  const params = { page: blockKey(typed) };
  const { etag } = await client.call('pages.read', { params });
  const body = { ...(title !== undefined && { title }), block };
  const { data } = await client.call('pages.change', { params, body, ifMatch: etag ?? '*' });
  tools.confirm(data, () => describePage(data, tools.colours));
  return 0;
}
