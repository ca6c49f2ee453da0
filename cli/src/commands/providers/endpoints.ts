import type { OembedEndpointRow } from '@orbis/contract';
import type { AddCommand } from '../../command.ts';
import { table } from '../../text.ts';

export const addEndpoints: AddCommand = (providers, run) => {
  providers
    .command('endpoints')
    .argument('[words]', 'words of the name, or a link: who answers about it')
    .description('list who is known to answer questions about links (oEmbed), out of imported lists')
    .addHelpText(
      'after',
      '\nExamples:\n  orbis providers endpoints\n  orbis providers endpoints https://moorreel.localhost/watch/7',
    )
    .action((words: string | undefined) =>
      run(async (tools) => {
        const items: OembedEndpointRow[] = [];
        for (let after: string | undefined; ;) {
          const { data } = await tools.client().call('endpoints.list', {
            query: { limit: 200, ...(after && { after }), ...(words !== undefined && { q: words }) },
          });
          items.push(...data.items);
          if (data.next === null) break;
          after = data.next;
        }
        tools.tell(items, () =>
          items.length === 0
            ? 'Nobody. “orbis providers import FILE” makes the providers of a list known.\n'
            : table(
                ['id', 'provider', 'asked at', 'formats', 'links'],
                items.map(({ id, provider, url, formats, schemes }) => [
                  id,
                  provider,
                  url,
                  formats.join(', '),
                  schemes[0]! + (schemes.length > 1 ? ` and ${schemes.length - 1} more` : ''),
                ]),
                tools.colours,
              ),
        );
        return 0;
      }),
    );
  providers
    .command('forget')
    .argument('<endpoint>', 'the id of an endpoint, as “orbis providers endpoints” shows it')
    .description('forget who answers; embeds that were collected by it stay as they are')
    .action((endpoint: string) =>
      run(async (tools) => {
        await tools.client().call('endpoints.remove', { params: { endpoint } });
        tools.tell(
          { forgotten: endpoint },
          () => `Forgotten. Importing the list again makes it known again.\n`,
        );
        return 0;
      }),
    );
};
