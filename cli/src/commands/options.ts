import {
  allOptions,
  handName,
  kinds,
  optionsFor,
  ownOptions,
  type Kind,
  type Option,
  type Sheet,
} from '@orbis/core';
import { ApiError, optionWords, spoken, type Reading } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { table } from '../text.ts';

export const addOptions: AddCommand = (program, run) => {
  program
    .command('options')
    .argument('[of]', 'a kind of embed, a provider, or the key of an embed: only what can be asked of it')
    .description('list every option with its meaning and an example')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis options\n  orbis options map\n  orbis options kinorill\n  orbis options opening-talk --json\n\nKinds and providers need no service. “npm start -- --settings” lists what can be set of the service itself.',
    )
    .action((of: string | undefined) =>
      run(async (tools) => {
        const { options, sheet, note } = await optionsOf(of, tools);
        const rows = (stage: Option['stage']): OptionRow[] =>
          options.filter((option) => option.stage === stage).map((option) => rowOf(option, sheet));
        const items = [...rows('settings'), byHand, ...rows('presentation'), ...rows('isolation')];
        tools.tell(
          items,
          () =>
            table(
              ['option', 'example', 'meaning'],
              items.map(({ name, example, meaning }) => [name, example, meaning]),
              tools.colours,
            ) + note,
        );
        return 0;
      }),
    );
};

interface OptionRow {
  name: string;
  stage: Option['stage'];
  label: string;
  meaning: string;
  type: string;
  unit: string | null;
  limits: Omit<Option['type']['limits'], 'unit'>;
  example: string;
}

function rowOf({ name, stage, type, example }: Option, sheet: Sheet | null): OptionRow {
  const { label, explain } = optionWords(name, sheet);
  const { unit = type.name === 'time' ? 's' : null, ...limits } = type.limits;
  return {
    name,
    stage,
    label,
    meaning: explain,
    type: type.name,
    unit,
    limits,
    example: `${name}=${example}`,
  };
}

const byHand: OptionRow = {
  name: handName('NAME'),
  stage: 'settings',
  label: spoken.byHand.label,
  meaning: spoken.byHand.explain,
  type: 'text',
  unit: null,
  limits: {},
  example: `${handName('hue')}=12`,
};

/* Who has more than these. */
function ownNote(): string {
  const having = builtInSheets().filter((sheet) => ownOptions(sheet).length > 0);
  return `Some providers have options of their own: ${having.map(({ name }) => name).join(', ')}. “orbis options ${having[0]!.id}” shows them too.`;
}

interface OptionsOf {
  options: readonly Option[];
  /** With which they are called. */
  sheet: Sheet | null;
  note: string;
}

/* The options that make sense for a kind, that a provider offers, or that the code of an embed takes. */
async function optionsOf(of: string | undefined, tools: Tools): Promise<OptionsOf> {
  if (of === undefined) return { options: allOptions, sheet: null, note: `\n${ownNote()}\n` };
  const isFor = (option: Option): boolean => option.kinds === 'any' || option.kinds.includes(of as Kind);
  if (kinds.includes(of as Kind)) return { options: allOptions.filter(isFor), sheet: null, note: '' };
  const sheet = builtInSheets().find(({ id }) => id === of.toLowerCase());
  if (sheet)
    return { options: optionsFor(sheet).filter((option) => option.isOffered(sheet, null)), sheet, note: '' };
  return optionsOfEmbed(of, tools);
}

async function optionsOfEmbed(embed: string, tools: Tools): Promise<OptionsOf> {
  const reading = await readingOf(embed, tools);
  const sheet =
    reading.sheet === null
      ? null
      : (await tools.client().call('providers.read', { params: { provider: reading.sheet.id } })).data.sheet;
  const options = optionsFor(sheet).filter((option) => option.isOffered(sheet, reading));
  return { options, sheet, note: '' };
}

async function readingOf(embed: string, { client }: Tools): Promise<Reading> {
  try {
    return (await client().call('embeds.read', { params: { embed } })).data.reading;
  } catch (error) {
    throw isUnknown(error) ? new UsedWrongly(unknownIn(embed)) : error;
  }
}

/* Without a service nobody knows embeds; then it was a kind or a provider that was meant. */
const isUnknown = (error: unknown): boolean =>
  error instanceof ApiError &&
  ['not-found', 'bad-request', 'not-signed-in', 'not-reached'].includes(error.code);

const unknownIn = (of: string): string =>
  `There is no kind, provider or embed “${of}”. Kinds: ${kinds.join(', ')}. Providers: ${builtInSheets()
    .map(({ id }) => id)
    .join(', ')}.`;
