import { isAbsolute, resolve } from 'node:path';
import { closest, distance } from 'fastest-levenshtein';
import { parse } from 'tldts';
import { serviceSettingsSchema, settingsOfOthers, type ServiceSettings } from '@orbis/contract';
import { isInstalled } from './called-as.ts';

/** A reason why Orbis cannot start, in one sentence for the person who starts it. */
export class CannotStart extends Error {}

/** The settings with folders made absolute. */
export type Settings = ServiceSettings;

/**
 * Reads the service's settings from the environment, once.
 * @throws CannotStart when one does not fit or is not known, naming it and what would do.
 */
export function readSettings(env: Record<string, string | undefined>, folder: string): Settings {
  const given = Object.fromEntries(
    Object.entries(env).filter(([name, value]) => name.startsWith('ORBIS_') && value !== ''),
  );
  refuseUnknown(Object.keys(given));
  const parsed = serviceSettingsSchema.safeParse(given);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    const name = String(issue?.path[0] ?? 'a setting');
    throw new CannotStart(`The setting ${name} ${issue?.message}.`);
  }
  const settings = parsed.data;
  refuseSameSite(
    settings.ORBIS_PUBLIC_URL ?? 'http://orbis.localhost',
    settings.ORBIS_FRAMES_URL ?? 'http://*.frames.localhost',
  );
  return {
    ...settings,
    ORBIS_DATA: isAbsolute(settings.ORBIS_DATA) ? settings.ORBIS_DATA : resolve(folder, settings.ORBIS_DATA),
  };
}

/* A setting that is misspelt would be taken for its default, and nobody would know. */
function refuseUnknown(names: readonly string[]): void {
  const known = Object.keys(serviceSettingsSchema.shape);
  const unknown = names.find((name) => !known.includes(name) && !settingsOfOthers.includes(name));
  if (unknown === undefined) return;
  const near = closest(unknown, known);
  const hint =
    distance(unknown, near) <= 4
      ? `Did you mean ${near}?`
      : `“${isInstalled ? 'orbis-admin settings' : 'npm start -- --settings'}” lists them.`;
  throw new CannotStart(`There is no setting ${unknown}. ${hint}`);
}

/**
 * Browsers keep two sites apart, not two hosts: what runs on a host of the same registrable domain may set
 * cookies for the other, and is sent the other's.
 */
function refuseSameSite(home: string, frames: string): void {
  const [ours, theirs] = [siteOf(home), siteOf(frames)];
  if (ours !== theirs) return;
  throw new CannotStart(
    `ORBIS_PUBLIC_URL and ORBIS_FRAMES_URL are of the same site (${ours}). Foreign code must run on another one than where you sign in: give the frames a host of another domain.`,
  );
}

/* The registrable domain; of addresses without one (numbers, bare names) the host. Each name under
   `localhost` is a site of its own. */
function siteOf(url: string): string {
  const plain = url.replace('*.', '');
  return parse(plain, { allowPrivateDomains: true }).domain ?? new URL(plain).hostname;
}
