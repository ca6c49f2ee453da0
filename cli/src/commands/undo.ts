import { OrbisError, type Change, type Client } from '@orbis/contract';
import { UsedWrongly, type AddCommand } from '../command.ts';

export const addUndo: AddCommand = (program, run) => {
  program
    .command('undo')
    .argument('[change]', 'the id of something that was done; without it, what you did last and stands')
    .option('--of-anybody', 'what was done last by whoever did it')
    .option('--dry-run', 'only say what would be taken back')
    .description('take back what you did last: collecting, options, a newer code, placing, and the rest')
    .addHelpText(
      'after',
      `
Examples:
  orbis undo
  orbis undo --dry-run
  orbis list changes
  orbis undo 3k7x2m9qpw

Said several times, it goes back step by step. Options and codes come back as new revisions: nothing is lost.
Not taken back: what stands on published pages, which is pasted anew; saving and removing provider sheets, as
embeds are read with them; passwords, sessions and tokens.

Exit status: 0 taken back, 2 nothing to take back, 4 it was changed since, is in use, or cannot be taken back.`,
    )
    .action((id: string | undefined, options: { dryRun?: boolean; ofAnybody?: boolean }) =>
      run(async (tools) => {
        const client = tools.client();
        const change =
          id === undefined ? await last(client, options.ofAnybody ?? false) : await named(client, id);
        if (options.dryRun) {
          tools.tell(change, () =>
            change.lasting
              ? `Not taken back by “undo”: ${change.said}.\n`
              : `Would be taken back: ${change.said}.\n`,
          );
          return 0;
        }
        // What cannot be taken back is refused, and named, by the service.
        if (!change.lasting) tools.note(`Taking back: ${change.said}.\n`);
        const { data } = await client.call('changes.undo', { params: { change: change.id }, body: {} });
        tools.confirm(data, () => `Taken back.${data.remains === null ? '' : ` ${data.remains}`}\n`);
        return 0;
      }),
    );
};

async function last(client: Client, isOfAnybody: boolean): Promise<Change> {
  const query = { limit: 1, standing: 'true', mine: isOfAnybody ? 'false' : 'true' } as const;
  const { data } = await client.call('changes.list', { query });
  const [change] = data.items;
  if (!change)
    throw new UsedWrongly(
      `There is nothing${isOfAnybody ? '' : ' of yours'} to take back.${isOfAnybody ? '' : ' “orbis list changes” shows what others did.'}`,
    );
  return change;
}

async function named(client: Client, id: string): Promise<Change> {
  const { data } = await client.call('changes.read', { params: { change: id } });
  if (data.undoneAt !== null) throw new OrbisError('change-undone', { at: data.undoneAt });
  return data;
}
