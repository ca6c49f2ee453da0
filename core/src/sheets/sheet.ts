import type { ParameterPlace } from '../text/index.ts';
import type { Kind, Needs } from '../reading/reading.ts';

/** How a provider writes a time: 112, 112000, 1:52 or 1m52s. */
export const timeFormats = ['seconds', 'milliseconds', 'clock', 'units'] as const;
export type TimeFormat = (typeof timeFormats)[number];

/** A value of a switch: written so, standing alone without a value (`true`), or not there at all (`null`). */
export type SwitchValue = string | true | null;

/** Where a setting goes in this provider's code: a parameter of the frame's address, or an attribute of the frame. */
export interface SettingPlace {
  in: ParameterPlace | 'attribute';
  name: string;
}
export type TimeSetting = SettingPlace & { format: TimeFormat };
export type SwitchSetting = SettingPlace & { on: SwitchValue; off: SwitchValue };

export interface SheetSettings {
  start?: TimeSetting;
  end?: TimeSetting;
  autoplay?: SwitchSetting;
  muted?: SwitchSetting;
  loop?: SwitchSetting;
  controls?: SwitchSetting;
}

/** Parts of an address as the WHATWG URL Pattern standard matches them; the group `:id` is the item's own id. */
export interface AddressPattern {
  hostname: string;
  pathname: string;
  search?: string;
}

/** What Orbis knows of a provider: a file of data, never code. */
export interface Sheet {
  /** Lower-case letters, digits and hyphens. */
  id: string;
  name: string;
  /** Counts up with each change of the file, from 1. */
  version: number;
  kind: Kind;
  /** Every host that its code may contact, without ports. */
  hosts: string[];
  /** The links that people paste. */
  links: AddressPattern[];
  /** The addresses of its frames. */
  frames: AddressPattern[];
  /** The code to make of an id alone. The address is an RFC 6570 template over `id`, and `scheme` and `port` of the link. */
  code: { address: string; width: number; height: number; title: string; allow: string[] };
  /** The natural shape of its content. */
  shape: { width: number; height: number };
  /** Where its links (not its frames) give the time to start at. */
  linkTime?: { in: ParameterPlace; name: string; format: TimeFormat };
  /** In the order in which parameters are written. */
  settings: SheetSettings;
  /** What its code needs beside what the code itself shows. */
  needs: Partial<Needs>;
}
