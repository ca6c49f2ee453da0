import { parseSheet, SheetInvalid, type SheetComparison, plural } from '@orbis/contract';
import { UsedWrongly, type Tools } from '../command.ts';
import type { Exit } from '../io.ts';
import { fold } from '../text.ts';

/**
 * Keeps sheets: says first which embeds would come out differently, and does it then only where that is
 * accepted.
 * @throws UsedWrongly where a text is no sheet, with line and column.
 */
export async function saveSheets(
  files: readonly { file: string; text: string }[],
  accept: boolean,
  tools: Tools,
): Promise<Exit> {
  const client = tools.client();
  const saved: unknown[] = [];
  const lines: string[] = [];
  let exit: Exit = 0;
  for (const { file, text } of files) idOf(text, file); // all of them, before anything is done
  for (const { file, text } of files) {
    const provider = idOf(text, file);
    const { data: comparison, etag } = await client.call('providers.compare', { body: { text } });
    if (comparison.differs.length > 0 && !accept) {
      saved.push(comparison);
      lines.push(
        `${describeDifferences(comparison, tools)}Nothing was saved of ${file}. To save it all the same, say --yes.\n`,
      );
      exit = 1;
      continue;
    }
    const { data, status } = await client.call('providers.save', {
      params: { provider },
      body: { text, accept },
      ...(etag === null ? { ifNoneMatch: '*' } : { ifMatch: etag }),
    });
    saved.push(data);
    const changed = data.changed > 0 ? ` ${plural(data.changed, 'embed')} got a new revision.` : '';
    const stands = data.from === 'override' ? ' It stands before the built-in one.' : '';
    lines.push(
      `${status === 201 ? 'Added' : 'Changed'} ${tools.colours.bold(data.id)}, version ${data.sheet.version}.${stands}${changed}\n`,
    );
  }
  if (exit === 0) tools.confirm(saved, () => lines.join(''));
  else tools.tell(saved, () => lines.join(''));
  return exit;
}

/** What a change of a sheet would do, embed by embed. */
export function describeDifferences({ differs, id }: SheetComparison, { colours, io }: Tools): string {
  const each = differs.map(({ embed, placements, before, after, problems }) => {
    const lost = problems.map(({ detail }) => fold(detail, io.width, '  ')).join('');
    return `${colours.bold(embed)}${placements > 0 ? `, in ${plural(placements, 'place')}` : ''}\n${colours.dim('-')} ${before.trim()}\n${colours.green('+')} ${after.trim()}\n${lost}`;
  });
  return `With this change of ${id} ${differs.length === 1 ? 'one embed comes' : `${differs.length} embeds come`} out differently:\n\n${each.join('\n')}\n`;
}

function idOf(text: string, file: string): string {
  try {
    return parseSheet(text, file).id;
  } catch (error) {
    if (error instanceof SheetInvalid) throw new UsedWrongly(error.message);
    throw error;
  }
}
