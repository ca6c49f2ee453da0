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
    // A provider and an item’s id, unless there is a file of that name.
    const isMissing = isErrno(error) && error.code === 'ENOENT';
    if (isMissing && /^[a-z0-9]+(?:-[a-z0-9]+)*:[^\s/]\S*$/.test(what)) return what;
    throw unreadable(what, error, 'Give a file, - for standard input, or a link.');
  });
}

/** The text of a file, or of standard input where it is `-`. @throws UsedWrongly where it cannot be read. */
export const textOf = (file: string, io: Io): Promise<string> =>
  file === '-'
    ? io.stdin()
    : io.readFile(file).catch((error: unknown) => {
        throw unreadable(file, error, 'Give a file, or - for standard input.');
      });

function unreadable(what: string, error: unknown, remedy: string): unknown {
  if (!isErrno(error)) return error;
  const why =
    error.code === 'ENOENT'
      ? 'there is no such file'
      : error.code === 'EISDIR'
        ? 'it is a folder'
        : error.message;
  return new UsedWrongly(`“${what}” cannot be read: ${why}. ${remedy}`);
}
