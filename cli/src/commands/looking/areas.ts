import { spoken, type PageSurvey } from '@orbis/contract';
import { spotDevices } from '@orbis/core';
import type { AddCommand, Tools } from '../../command.ts';
import { table } from '../../text.ts';
import { writeOut } from './writing.ts';

export const addAreas: AddCommand = (program, run) => {
  program
    .command('areas')
    .argument('<page>', 'site and path, such as hollinfell/talks')
    .option('--at <selector>', 'only the first element that this CSS selector finds')
    .option('--picture <file>', 'write what a desktop shows of the page, as a PNG')
    .description(
      'the elements of a published page that spots can be in, and how wide they are; needs Chromium where Orbis runs',
    )
    .addHelpText(
      'after',
      '\nExamples:\n  orbis areas hollinfell/talks\n  orbis areas hollinfell/talks --at main --picture talks.png\n\n“orbis add spot hollinfell/talks#main --at SELECTOR” makes one of them a spot.\nThe widths are those of what can stand in it; “–” is where it does not show.',
    )
    .action((page: string, { at, picture: file }: { at?: string; picture?: string }) =>
      run(async (tools) => {
        const { data } = await tools.client().call('pageSurveys.create', {
          params: { page },
          body: at === undefined ? {} : { selector: at },
          signal: tools.io.signal,
        });
        const { picture, ...found } = data;
        if (file !== undefined) await writeOut(file, picture.data, tools.io);
        tools.tell({ ...found, picture: file ?? null }, () => describe(data, page, tools));
        if (file !== undefined) tools.note(`Written: ${file} (${picture.width}×${picture.height} px).\n`);
        return 0;
      }),
    );
};

function describe({ areas, spots }: PageSurvey, page: string, { colours }: Tools): string {
  const missing = spots.filter(({ area }) => area === null);
  const named = new Map(spots.flatMap(({ key, area }) => (area ? [[area.selector, key] as const] : [])));
  const list =
    areas.length === 0
      ? `Nothing on ${page} can hold an embed.\n`
      : table(
          ['where', ...spotDevices, 'spot', 'begins with'],
          areas.map(({ selector, words, widths }) => [
            selector,
            ...spotDevices.map((device) => (widths[device] === null ? '–' : `${widths[device]} px`)),
            named.get(selector)?.replace(`${page}#`, '') ?? '–',
            words.slice(0, 30),
          ]),
          colours,
        );
  const gone = missing.map(({ key }) => `${spoken.spots.notThere(key)}\n`);
  return `${list}${gone.length > 0 ? `\n${gone.join('')}` : ''}`;
}
