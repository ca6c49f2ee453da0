import type { SpecimenReading } from '@orbis/contract';
import { UsedWrongly, type AddCommand, type Tools } from '../command.ts';
import { describeSpecimen } from '../describe/editor.ts';
import type { Exit } from '../io.ts';

export const addSpecimen: AddCommand = (program, run) => {
  program
    .command('specimen')
    .argument('<site>', 'its key')
    .option('--read [path]', 'read what became of it on this page; without a path on the first one')
    .option('--keep', 'keep the rules that it shows')
    .description('find out what a site’s editor lets through, by a harmless text that is published once')
    .addHelpText(
      'after',
      `
Examples:
  orbis specimen hollinfell > specimen.html
  orbis specimen hollinfell --read talks
  orbis specimen hollinfell --read talks --keep

Paste the text into the field for codes, publish the page, and read it there. Nothing in it does anything;
take it out again when its rules are kept. “orbis editor SITE” shows and changes them.`,
    )
    .action((site: string, options: { read?: string | true; keep?: boolean }) =>
      run((tools) => specimen(tools, site, options)),
    );
};

async function specimen(
  tools: Tools,
  site: string,
  { read, keep = false }: { read?: string | true; keep?: boolean },
): Promise<Exit> {
  if (read !== undefined) return learn(tools, site, { path: read === true ? '' : read, keep });
  if (keep) throw new UsedWrongly('--keep goes with --read.');
  const { data } = await tools.client().call('sites.specimen', { params: { site } });
  tools.tell(data, () => data.text);
  tools.note(
    `\nPaste this on a page of ${site}, publish it, and then: orbis specimen ${site} --read PATH --keep\n`,
  );
  return 0;
}

async function learn(
  tools: Tools,
  site: string,
  { path, keep }: { path: string; keep: boolean },
): Promise<Exit> {
  const client = tools.client();
  const { data } = await client.call('sites.learn', { params: { site }, body: { path } });
  if (keep && data.rules) {
    const { etag } = await client.call('sites.read', { params: { site } });
    await client.call('sites.change', {
      params: { site },
      ifMatch: etag ?? '*',
      body: { editor: data.rules },
    });
  }
  tools.tell(data, () => describeSpecimen(data, tools) + ending(site, data, keep));
  return data.rules === null ? 1 : 0;
}

function ending(site: string, { rules }: SpecimenReading, isKept: boolean): string {
  if (rules === null)
    return `\n“orbis editor ${site} --first-line LINE” says it; “orbis specimen ${site}” begins with it then.\n`;
  return isKept
    ? `\nThese rules are kept with ${site} now: “orbis editor ${site}” shows them. Take the specimen out again.\n`
    : '\nNothing is kept yet: --keep does.\n';
}
