import { plural, type EndpointImport } from '@orbis/contract';
import type { Tools } from '../command.ts';
import { pasted } from '../pasted.ts';
import { fold } from '../text.ts';
import { every, limit, tellList } from './every.ts';
import type { Thing } from './thing.ts';

/** Who answers questions about links (oEmbed), out of lists of providers. */
export const endpoint: Thing = {
  list: (verb, run) => {
    verb
      .command('endpoints')
      .argument('[words]', 'words of the name, or a link: who answers about it')
      .description('who is known to answer questions about links (oEmbed)')
      .addHelpText(
        'after',
        `
Examples:
  orbis list endpoints
  orbis list endpoints https://moorreel.example/watch/7`,
      )
      .action((words: string | undefined) =>
        run(async (tools) => {
          const items = await every((after) =>
            tools
              .client()
              .call('endpoints.list', { query: { limit, after, ...(words !== undefined && { q: words }) } }),
          );
          tellList(
            tools,
            items,
            {
              'id': ({ id }) => id,
              'provider': ({ provider }) => provider,
              'asked at': ({ url }) => url,
              'formats': ({ formats }) => formats.join(', '),
              'links': ({ schemes }) =>
                schemes[0]! + (schemes.length > 1 ? ` and ${schemes.length - 1} more` : ''),
            },
            'Nobody. “orbis add endpoints FILE” makes the providers of a list known.',
          );
          return 0;
        }),
      );
  },
  add: (verb, run) => {
    verb
      .command('endpoints')
      .argument('<file>', 'a list of oEmbed providers (JSON); - for standard input')
      .description('make those known who answer questions about their links (oEmbed), out of a list')
      .addHelpText(
        'after',
        `
A list is a JSON array of objects with provider_name, provider_url and endpoints, as such lists are published.
Once more is the same as once: what is known is not doubled, and what changed is changed. Links that no sheet
knows are then asked of whoever answers for them; “orbis list endpoints LINK” says who that is.

Example:
  orbis add endpoints providers.json

Exit status: 0 all of it is known now, 1 something in it cannot be used, 2 no list.`,
      )
      .action((file: string) =>
        run(async (tools) => {
          const text = await pasted(file, tools.io);
          const { data } = await tools.client().call('endpoints.import', { body: { text } });
          tools.confirm(data, () => describe(data, tools));
          return data.unusable.length > 0 ? 1 : 0;
        }),
      );
  },
  remove: (verb, run) => {
    verb
      .command('endpoint')
      .argument('<endpoint>', 'its id, as “orbis list endpoints” shows it')
      .description('ask it no more; embeds that were collected by it stay as they are')
      .action((endpoint: string) =>
        run(async (tools) => {
          await tools.client().call('endpoints.remove', { params: { endpoint } });
          tools.confirm(
            { removed: endpoint },
            () => 'Removed. Adding the list again makes it known again.\n',
          );
          return 0;
        }),
      );
  },
};

function describe(
  { entries, endpoints, added, changed, same, unusable }: EndpointImport,
  { colours, io }: Tools,
): string {
  const lines = unusable.map(({ entry, provider, what, why }) =>
    fold(`${colours.yellow('not used')} ${entry} ${provider || '(no name)'}: ${what}: ${why}.`, io.width, ''),
  );
  const counts = [
    `${added} new`,
    changed > 0 ? `${changed} changed` : '',
    same > 0 ? `${same} known already` : '',
  ]
    .filter(Boolean)
    .join(', ');
  return `${lines.join('')}${plural(entries, 'provider')} in the list; ${plural(endpoints, 'endpoint')}: ${counts}.${unusable.length > 0 ? ` ${plural(unusable.length, 'thing')} in it cannot be used.` : ''}\n`;
}
