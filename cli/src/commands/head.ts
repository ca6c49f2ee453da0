import type { HeadThing, SiteHead } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeHead, nameOf } from '../describe/head.ts';
import type { Exit } from '../io.ts';

interface Options {
  keep?: string[];
  leave?: string[];
  code?: boolean;
}

export const addHead: AddCommand = (program, run) => {
  program
    .command('head')
    .argument('<site>', 'its key')
    .option(
      '--keep <things...>',
      'let these stand once in the head of the whole site; a part of the name will do',
    )
    .option('--leave <things...>', 'let each page have these for itself again')
    .option('--code', 'hand out what belongs there now, with its number')
    .description('what the pages of a site need once, and what of it stands in the head of the whole site')
    .addHelpText(
      'after',
      `
Examples:
  orbis head hollinfell
  orbis head hollinfell --keep booking.js
  orbis head hollinfell --code > head.html
  orbis head hollinfell --leave booking.js

Many site editors have a field for code in the head of every page. What many pages need stands there once,
and need not be pasted on each. A sweep sees whether it is there.`,
    )
    .action((site: string, options: Options) => run((tools) => head(site, options, tools)));
};

async function head(site: string, { keep, leave, code }: Options, tools: Tools): Promise<Exit> {
  if (code && (keep ?? leave))
    throw new UsedWrongly('Either something is chosen, or what belongs there is handed out.');
  if (code) {
    const { data } = await tools.client().call('headDeliveries.create', { params: { site } });
    tools.tell(data, () => (data.text === '' ? '' : `${data.text}\n`));
    if (data.text === '')
      tools.note(`Nothing is wanted in the head of ${site} yet: “orbis head ${site} --keep NAME” chooses.\n`);
    return 0;
  }
  const { data, etag } = await tools.client().call('heads.read', { params: { site } });
  if (keep === undefined && leave === undefined) {
    tools.tell(data, () => describeHead(data, tools));
    return 0;
  }
  const body = {
    keep: (keep ?? []).map((word) => called(word, data).digest),
    leave: (leave ?? []).map((word) => called(word, data).digest),
  };
  const changed = await tools.client().call('heads.change', { params: { site }, ifMatch: etag ?? '', body });
  tools.tell(changed.data, () => describeHead(changed.data, tools));
  return 0;
}

/* The one thing that a word is a part of the name of. */
function called(word: string, { site, things }: SiteHead): HeadThing {
  const wanted = word.toLowerCase();
  const found = things.filter(
    (thing) => nameOf(thing).toLowerCase().includes(wanted) || thing.digest.startsWith(wanted),
  );
  const [first] = found;
  if (first && found.length === 1) return first;
  const names = (first ? found : things).map((thing) => `“${nameOf(thing)}”`).join(', ');
  throw new UsedWrongly(
    first
      ? `“${word}” may be ${names}. Say more of its name.`
      : things.length === 0
        ? `No page of ${site} needs anything once.`
        : `Nothing that pages of ${site} need is called “${word}”. There is ${names}.`,
  );
}
