import { accessSync, constants } from 'node:fs';

/* Where Debian and others put it: first the one without windows, which comes up in half the time. */
const usual = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'];

/**
 * Where the browser Chromium is; null where there is none, or where it shall not be used.
 * @param setting its path, `none`, or undefined for where it usually is.
 */
export const findChromium = (setting: string | undefined): string | null =>
  (setting === undefined ? usual : setting === 'none' ? [] : [setting]).find(isProgram) ?? null;

function isProgram(path: string): boolean {
  try {
    accessSync(path, constants.X_OK);
    return true;
  } catch {
    return false;
  }
}
