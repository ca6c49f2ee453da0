import { randomBytes } from 'node:crypto';
import type { Diagnosis } from '@orbis/contract';
import { apiBase } from '@orbis/contract';
import { relayPath, type Origins } from '../origins.ts';
import type { Settings } from '../settings.ts';
import { found, whyAway } from './found.ts';

/* How long an address may take, in ms. */
const patience = 8000;

/** What answers at an address; its reason where nothing does. */
type Answer = { status: number; text: string; type: string } | { why: string };

async function ask(address: string): Promise<Answer> {
  try {
    const answer = await fetch(address, { redirect: 'manual', signal: AbortSignal.timeout(patience) });
    const text = (await answer.text()).slice(0, 2000);
    return { status: answer.status, text, type: answer.headers.get('content-type') ?? '' };
  } catch (error) {
    return { why: whyAway(error) };
  }
}

/** Whether the console answers where browsers ask for it. */
export async function lookAtConsole(
  { console: address }: Pick<Origins, 'console'>,
  { ORBIS_PUBLIC_URL: given }: Pick<Settings, 'ORBIS_PUBLIC_URL'>,
  ours: string,
): Promise<Diagnosis> {
  if (given === undefined) return found('note', 'console-local', { address });
  const answer = await ask(`${address}${apiBase}/health/live`);
  if ('why' in answer) return found('fault', 'console-away', { address, why: answer.why });
  if (answer.status === 421) return found('fault', 'console-other-host', { address });
  const theirs = versionIn(answer.text);
  if (answer.status !== 200 || theirs === null)
    return found('fault', 'console-something-else', { address, status: answer.status });
  return theirs === ours
    ? found('well', 'console-well', { address })
    : found('warning', 'console-other-version', { address, theirs, ours });
}

function versionIn(text: string): string | null {
  try {
    const { status, version } = JSON.parse(text) as { status?: unknown; version?: unknown };
    return status === 'ok' && typeof version === 'string' ? version.slice(0, 40) : null;
  } catch {
    return null;
  }
}

/* A name that nobody has asked for before, as previews have: 20 letters and digits. */
const anyName = (): string => randomBytes(10).toString('hex');

/** Whether frames answer, by whatever name below their domain. */
export async function lookAtFrames(
  origins: Pick<Origins, 'ownHosts' | 'previewUrl' | 'framesSource'>,
  { ORBIS_FRAMES_URL: given }: Pick<Settings, 'ORBIS_FRAMES_URL'>,
): Promise<Diagnosis> {
  const address = origins.framesSource;
  if (given === undefined) return found('note', 'frames-local', { address });
  for (const name of [anyName(), anyName()]) {
    const at = new URL(relayPath, origins.previewUrl(name));
    const answer = await ask(at.href);
    const facts = { address: at.origin };
    if ('why' in answer) return found('fault', 'frames-away', { ...facts, why: answer.why });
    if (answer.status === 421) return found('fault', 'frames-other-host', facts);
    if (answer.status !== 200 || !answer.type.includes('javascript'))
      return found('fault', 'frames-something-else', { ...facts, status: answer.status });
  }
  return origins.ownHosts
    ? found('well', 'frames-well', { address })
    : found('note', 'frames-shared-host', { address });
}
