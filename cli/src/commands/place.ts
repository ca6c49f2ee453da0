import { parsePlace, type Delivery, type Embed, type Placement, type PlacementMade } from '@orbis/contract';
import { Option } from 'commander';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { editLines } from '../describe/edits.ts';
import type { Exit } from '../io.ts';
import { fold } from '../text.ts';
import { thePlacement } from '../things/the-placement.ts';

export const addPlace: AddCommand = (program, run) => {
  addPlacing(program, run);
  addCode(program, run);
};

const addPlacing: AddCommand = (program, run) => {
  program
    .command('place')
    .argument('<embed>', 'the key of an embed')
    .argument('<place>', 'where: site, path and spot, such as hollinfell/talks#main')
    .description('put an embed into a spot of a page, in the register')
    .addHelpText(
      'after',
      '\nExample:\n  orbis place opening-talk hollinfell/talks#main\n\nThen “orbis code opening-talk hollinfell/talks#main” prints what to paste there.',
    )
    .action((embed: string, place: string) =>
      run(async (tools) => {
        parsePlace(place);
        const { data } = await tools.client().call('placements.create', { body: { embed, place } });
        tools.confirm(
          data,
          () =>
            `Placed ${data.embed} in ${data.place} (placement ${data.id}).\n${besideNote(data)}“orbis code ${data.embed} ${data.place}” prints what to paste there.\n`,
        );
        return 0;
      }),
    );
};

const besideNote = ({ beside }: Pick<PlacementMade, 'beside'>): string =>
  beside.length === 0
    ? ''
    : `In the same spot ${beside.length === 1 ? 'is' : 'are'} already: ${beside.join(', ')}. Visitors see them one below the other.\n`;

const addCode: AddCommand = (program, run) => {
  program
    .command('code')
    .argument('<embed>', 'the key of an embed, or the id of a placement')
    .argument('[place]', 'for which place; needed where it is in several')
    .option(
      '--link',
      'a link instead, for site editors that take no code: what is changed later shows there by itself',
    )
    .option('--file', 'what stands in the file on your server that the code shows (frame=file)')
    .option('--bare', 'without a place: no mark, so that no sweep can know it again')
    .addOption(
      new Option(
        '--form <form>',
        'with --bare: all in the code, or rules and loader apart, for the head of the page',
      ).choices(['inline', 'apart']),
    )
    .option('--explain', 'each change with its reason beside it, on standard error')
    .description('print the code to paste, and nothing else')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis code opening-talk hollinfell/talks#main\n  orbis code opening-talk hollinfell/talks#main --link\n  orbis code festival-stall hollinfell/live#camera --file > stall.html\n  orbis code opening-talk --bare > talk.html\n  orbis code opening-talk --bare --form apart --explain\n\nExit status: 0 done, 1 there is an error in the code (told beside it), 2 used wrongly, 4 it is retired.',
    )
    .action((embed: string, place: string | undefined, options: CodeOptions) =>
      run(async (tools) => {
        refuseTogether(place, options);
        if (options.bare) return tellBare(embed, options, tools);
        const client = tools.client();
        const found = await thePlacement(client, embed, place);
        if (!options.link) return tellCode(found, options, tools);
        const { data } = await client.call('placements.link', { params: { placement: found.id } });
        tools.tell({ placement: found.id, link: data.link }, () => `${data.link}\n`);
        return 0;
      }),
    );
};

/* @throws UsedWrongly where switches do not go together. */
function refuseTogether(place: string | undefined, { file, bare, link, form }: CodeOptions): void {
  if (file && (bare || link))
    throw new UsedWrongly('--file is for the code of a place: take no --bare and no --link.');
  if (bare && (link || place !== undefined))
    throw new UsedWrongly('--bare is without a place: name none, and take no --link.');
  if (form !== undefined && !bare)
    throw new UsedWrongly(
      '--form is for --bare. In a place, the site says it: orbis change site SITE head=yes.',
    );
}

/* The code of a placement, with what else its page needs. */
async function tellCode(
  { id: placement, page, embed }: Placement,
  { file, explain: isExplained }: CodeOptions,
  tools: Tools,
): Promise<Exit> {
  const client = tools.client();
  const { data } = await client.call('deliveries.create', { params: { placement } });
  if (tools.io.errIsTerminal)
    tools.note(
      tools.colours.dim(
        `delivery ${data.number} of placement ${data.placement}, revision ${data.revision}\n`,
      ),
    );
  if (file) return tellFile(data, tools);
  tools.tell(data, () => withNewline(data.text));
  if (isExplained) await explain(placement, tools);
  const positions = data.snippets.map(({ position }) => position);
  if (positions.some((position) => position !== 'spot' && position !== 'file'))
    tools.note(`The page needs something in its head as well, once: “orbis plan ${page}” shows it.\n`);
  if (positions.includes('file'))
    tools.note(
      `It shows a file on your server: with --file this prints what stands in it, and “orbis plan ${page}” says where.\n`,
    );
  return tellErrors((await client.call('embeds.read', { params: { embed } })).data, tools);
}

/* What stands in the file that the code shows. */
function tellFile({ snippets }: Delivery, tools: Tools): Exit {
  const file = snippets.find(({ position }) => position === 'file');
  if (!file)
    throw new UsedWrongly(
      'It stands in no file there. “orbis set EMBED frame=file frame-file=ADDRESS” puts it into one.',
    );
  const document = file.runs.map(({ text }) => text).join('');
  tools.tell({ document }, () => document);
  return 0;
}

/* Each change of the code of a placement, with its reason. */
async function explain(placement: string, tools: Tools): Promise<void> {
  const client = tools.client();
  const { data } = await client.call('placements.read', { params: { placement } });
  const { data: composition } = await client.call('compositions.create', {
    body: { placement, options: data.options },
  });
  tools.note(editLines(composition.edits, tools));
}

interface CodeOptions {
  bare?: boolean;
  link?: boolean;
  file?: boolean;
  form?: 'inline' | 'apart';
  explain?: boolean;
}

/* The code as it is without a place. */
async function tellBare(embed: string, { form, explain }: CodeOptions, tools: Tools): Promise<Exit> {
  const client = tools.client();
  const { data } = await client.call('embeds.read', { params: { embed } });
  const { data: composition } = await client.call('compositions.create', {
    body: { embed, options: data.current.options, ...(form !== undefined && { form }) },
  });
  const head = composition.snippets.filter(({ position }) => position !== 'spot' && position !== 'file');
  tools.tell(composition, () => withNewline(composition.text));
  for (const { runs } of head)
    tools.note(`For the head of the page, once:\n${withNewline(runs.map(({ text }) => text).join(''))}`);
  if (explain) tools.note(editLines(composition.edits, tools));
  return tellErrors(data, tools);
}

/* A code that will not work goes out all the same; whoever pastes it is told. */
function tellErrors({ key, reading }: Embed, { io, colours }: Tools): Exit {
  const errors = reading.findings.filter(({ level }) => level === 'error');
  for (const { message, remedy } of errors)
    io.err(fold(`${colours.red('error')} in ${key}: ${message} ${remedy}`, io.width, ''));
  return errors.length > 0 ? 1 : 0;
}

const withNewline = (text: string): string => (text.endsWith('\n') ? text : `${text}\n`);
