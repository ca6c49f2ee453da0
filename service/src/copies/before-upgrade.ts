import { join } from 'node:path';
import { CannotStart, type Settings } from '../settings.ts';
import { version } from '../version.ts';
import { CannotCopy } from './cannot-copy.ts';
import { makeCopy } from './make-copy.ts';
import { rowsIn } from './manifest.ts';
import { recipientsIn } from './plan.ts';
import { readCopy } from './unpack.ts';

/**
 * Makes a copy before the tables are changed, and reads it through.
 * @param tell is told what happens, a sentence at a time.
 * @throws CannotStart where there can be none: the tables stay as they are.
 */
export async function copyBeforeUpgrade(
  settings: Settings,
  { url, lastChange }: { url: string; lastChange: number },
  tell: (sentence: string) => void,
): Promise<void> {
  if (settings.ORBIS_COPY_BEFORE_UPGRADE === 'no') return;
  const root = settings.ORBIS_DATA;
  const to = settings.ORBIS_COPIES_TO ?? join(root, 'copies');
  const recipients = recipientsIn(settings.ORBIS_COPIES_RECIPIENTS);
  tell('This version keeps its register in another form. A safety copy is made first.');
  try {
    const wish = { to, url, root, recipients, version, lastChange, at: new Date(), beforeUpgrade: true };
    const { path, identities, manifest } = await makeCopy(wish);
    await readCopy(path, identities);
    tell(`The copy is whole: ${path} (${rowsIn(manifest.tables)} rows).`);
  } catch (error) {
    if (!(error instanceof CannotCopy)) throw error;
    throw new CannotStart(
      `No safety copy could be made before the register is brought to its new form: ${error.message} Nothing was changed. ORBIS_COPIES_TO says where copies go; ORBIS_COPY_BEFORE_UPGRADE=no does without.`,
    );
  }
}
