import { UsedWrongly } from '../../command.ts';
import { isErrno, type Io } from '../../io.ts';

/**
 * Writes a file of the interface's answer.
 * @param data its bytes, as Base64.
 * @throws UsedWrongly where it cannot be written there.
 */
export async function writeOut(file: string, data: string, io: Pick<Io, 'writeFile'>): Promise<void> {
  try {
    await io.writeFile(file, Buffer.from(data, 'base64'));
  } catch (error) {
    if (!isErrno(error)) throw error;
    throw new UsedWrongly(
      `${file} cannot be written (${error.code ?? error.message}). Name a file in a folder that is there and is yours.`,
    );
  }
}
