import { isAbsolute, resolve } from 'node:path';
import { serviceSettingsSchema, type ServiceSettings } from '@orbis/contract';

/** A reason why Orbis cannot start, in one sentence for the person who starts it. */
export class CannotStart extends Error {}

/** The settings with folders made absolute. */
export type Settings = ServiceSettings;

/**
 * Reads the service's settings from the environment, once.
 * @throws CannotStart when one does not fit, naming it and what would do.
 */
export function readSettings(env: Record<string, string | undefined>, folder: string): Settings {
  const given = Object.fromEntries(Object.entries(env).filter(([name, value]) => name.startsWith('ORBIS_') && value !== ''));
  const parsed = serviceSettingsSchema.safeParse(given);
  if (!parsed.success) {
    const [issue] = parsed.error.issues;
    const name = String(issue?.path[0] ?? 'a setting');
    throw new CannotStart(`The setting ${name} does not fit (it is “${given[name] ?? ''}”): ${issue?.message}.`);
  }
  const settings = parsed.data;
  if (settings.ORBIS_PUBLIC_URL && settings.ORBIS_FRAMES_URL && siteOf(settings.ORBIS_PUBLIC_URL) === siteOf(settings.ORBIS_FRAMES_URL)) {
    throw new CannotStart('ORBIS_PUBLIC_URL and ORBIS_FRAMES_URL name the same host. Foreign code must run on a host of its own: give the frames another one.');
  }
  return { ...settings, ORBIS_DATA: isAbsolute(settings.ORBIS_DATA) ? settings.ORBIS_DATA : resolve(folder, settings.ORBIS_DATA) };
}

const siteOf = (url: string): string => new URL(url.replace('*.', '')).hostname;
