import { linkIn } from '@orbis/core';
import { UsedWrongly } from './command.ts';
import { isErrno, type Io } from './io.ts';

/**
 * The text that an argument stands for: a link is itself, as is a provider with an item's id
 * (`stallmere:311`), `-` is standard input, anything else is a file.
 * @throws UsedWrongly where the file cannot be read.
 */
export async function pasted(what: string, io: Io): Promise<string> {
  if (what === '-') return io.stdin();
  if (linkIn(what)) return what;
  return io.readFile(what).catch((error: unknown) => {
    if (!isErrno(error)) throw error;
    // A provider and an item’s id, unless there is a file of that name.
    if (error.code === 'ENOENT' && /^[a-z0-9]+(?:-[a-z0-9]+)*:[^\s/]\S*$/.test(what)) return what;
    const why =
      error.code === 'ENOENT'
        ? 'there is no such file'
        : error.code === 'EISDIR'
          ? 'it is a folder'
          : error.message;
    throw new UsedWrongly(`“${what}” cannot be read: ${why}. Give a file, - for standard input, or a link.`);
  });
}
