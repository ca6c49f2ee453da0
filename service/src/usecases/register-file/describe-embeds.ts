import type { Sheet } from '@orbis/core';
import type { Handle } from '../../database/connect.ts';
import type { Deps } from '../../deps.ts';
import { describeEmbed, newestCodes } from '../../store/register-file/index.ts';

/* So many texts are read in one go of the worker, within its deadline. */
const together = 100;

/**
 * Reads the newest code of each embed, and writes down what lists and searches go by: what a file says of
 * that is not believed.
 */
export async function describeEmbeds(
  tx: Handle,
  { reader, sheets }: { reader: Pick<Deps['reader'], 'summariseTexts'>; sheets: readonly Sheet[] },
): Promise<void> {
  for await (const codes of newestCodes(tx, together)) {
    const read = await reader.summariseTexts(
      codes.map(({ base }) => base),
      { sheets },
    );
    for (const [i, { embedId }] of codes.entries()) {
      const { kind, provider, level, hosts } = read[i]!;
      await describeEmbed(tx, embedId, { kind, provider: provider?.id ?? null, level, hosts });
    }
  }
}
