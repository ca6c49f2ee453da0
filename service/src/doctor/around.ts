import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import ipaddr from 'ipaddr.js';
import type { CopyStanding, Diagnosis } from '@orbis/contract';
import { findChromium } from '../browser/find.ts';
import { momentOf } from '../moment.ts';
import type { Mailer } from '../news/mailer.ts';
import type { Settings } from '../settings.ts';
import { found } from './found.ts';

/**
 * Whether it is known who asks, where a proxy stands before Orbis.
 * @param address that of whoever asks for this.
 */
export function lookAtProxy(
  {
    ORBIS_PUBLIC_URL: home,
    ORBIS_TRUST_PROXY: trusted,
  }: Pick<Settings, 'ORBIS_PUBLIC_URL' | 'ORBIS_TRUST_PROXY'>,
  address: string,
): Diagnosis {
  if (home?.startsWith('https:') === true && trusted === 0) return found('fault', 'proxy-untold');
  if (trusted === 0) return found('well', 'proxy-none');
  const isOfInternet = ipaddr.isValid(address) && ipaddr.process(address).range() === 'unicast';
  return isOfInternet ? found('well', 'proxy-well', { address }) : found('note', 'proxy-hides', { address });
}

/** Whether the mail server takes mail. */
export async function lookAtMail(
  mailer: Mailer | null,
  { ORBIS_SMTP_URL: url }: Pick<Settings, 'ORBIS_SMTP_URL'>,
): Promise<Diagnosis> {
  if (mailer === null || url === undefined) return found('note', 'mail-none');
  try {
    await mailer.check();
    return found('well', 'mail-well', { host: new URL(url).host });
  } catch (error) {
    return found('fault', 'mail-fault', { why: error instanceof Error ? error.message : String(error) });
  }
}

const run = promisify(execFile);

/** Whether the browser starts: it says its version. */
export async function lookAtBrowser({
  ORBIS_CHROMIUM: given,
}: Pick<Settings, 'ORBIS_CHROMIUM'>): Promise<Diagnosis> {
  const program = findChromium(given);
  if (program === null) return found('note', 'browser-none');
  try {
    await run(program, ['--version'], { timeout: 10_000 });
    return found('well', 'browser-well', { program });
  } catch (error) {
    const { stderr = '', message } = error as { stderr?: string; message: string };
    const why = (stderr.trim().split('\n')[0] || message).slice(0, 200);
    return found('fault', 'browser-fault', { program, why });
  }
}

/** How it stands with safety copies, and why the last one failed. */
export function lookAtCopies({ standing, lastAt, lastReadBack }: CopyStanding, why: string): Diagnosis {
  const state = { off: 'warning', none: 'note', good: 'well', late: 'fault', failed: 'fault' } as const;
  return found(state[standing], `copies-${standing}`, {
    at: lastAt === null ? '' : momentOf(new Date(lastAt)),
    read: lastReadBack ? 1 : 0,
    why,
  });
}
