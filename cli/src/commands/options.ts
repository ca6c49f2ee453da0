import { allOptions, handName, kinds, optionsFor, ownOptions, type Kind, type Option } from '@orbis/core';
import { spoken, optionWords } from '@orbis/contract';
import { builtInSheets } from '@orbis/sheets';
import { UsedWrongly, type AddCommand } from '../command.ts';
import { table } from '../text.ts';

export const addOptions: AddCommand = (program, run) => {
  program
    .command('options')
    .argument('[of]', 'a kind of embed, or a provider: only what makes sense for it')
    .description('list every option with its meaning and an example')
    .addHelpText('after', '\nExamples:\n  orbis options\n  orbis options map\n  orbis options kinorill')
    .action((of: string | undefined) =>
      run(async (tools) => {
        const offered = optionsOf(of);
        const rows = (stage: Option['stage']) =>
          offered
            .filter((option) => option.stage === stage)
            .map(({ name, example, own }) => ({
              name,
              stage,
              meaning: own?.explain ?? optionWords(name).explain,
              example: `${name}=${example}`,
            }));
        const byHand = {
          name: handName('NAME'),
          stage: 'settings',
          meaning: spoken.byHand.explain,
          example: `${handName('hue')}=12`,
        };
        const items = [...rows('settings'), byHand, ...rows('presentation')];
        const more = of === undefined ? `\n${ownNote()}\n` : '';
        tools.tell(
          items,
          () =>
            table(
              ['option', 'example', 'meaning'],
              items.map((item) => [item.name, item.example, item.meaning]),
              tools.colours,
            ) + more,
        );
        return 0;
      }),
    );
};

/* Who has more than these. */
function ownNote(): string {
  const having = builtInSheets().filter((sheet) => ownOptions(sheet).length > 0);
  return `Some providers have options of their own: ${having.map(({ name }) => name).join(', ')}. “orbis options ${having[0]!.id}” shows them too.`;
}

/* The options that make sense for a kind, or that a provider offers. */
function optionsOf(of: string | undefined): readonly Option[] {
  if (of === undefined) return allOptions;
  const isFor = (option: Option): boolean => option.kinds === 'any' || option.kinds.includes(of as Kind);
  if (kinds.includes(of as Kind)) return allOptions.filter(isFor);
  const sheets = builtInSheets();
  const sheet = sheets.find(({ id }) => id === of.toLowerCase());
  if (sheet) return optionsFor(sheet).filter((option) => option.isOffered(sheet, null));
  throw new UsedWrongly(
    `There is no kind and no provider “${of}”. Kinds: ${kinds.join(', ')}. Providers: ${sheets.map(({ id }) => id).join(', ')}.`,
  );
}
