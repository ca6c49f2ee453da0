import type { ParameterPlace } from '../text/index.ts';
import type { Kind, Needs, Role } from '../reading/reading.ts';

/** How a provider writes a time: 112, 112000, 1:52 or 1m52s. */
export const timeFormats = ['seconds', 'milliseconds', 'clock', 'units'] as const;
export type TimeFormat = (typeof timeFormats)[number];

/** A value of a switch: written so, standing alone without a value (`true`), or not there at all (`null`). */
export type SwitchValue = string | true | null;

/** Whose address or attribute a setting is in: the frame's, the element's that a loader fills, or the loader's own. */
export const settingHolders = ['frame', 'mount', 'loader'] as const;
export type SettingHolder = (typeof settingHolders)[number];

/** Where a setting goes in this provider's code: a parameter of an address, or an attribute. */
export interface SettingPlace {
  in: ParameterPlace | 'attribute';
  name: string;
  /** The frame's where nothing is said. */
  of?: SettingHolder;
  /** What else it needs beside it: parameters in the same place. `{id}` stands for the item's own id. */
  beside?: { name: string; value: string }[];
  /** A permission that the frame needs for it, in `allow`. */
  permission?: string;
  /** What the provider says of it, as one sentence for owners. */
  note?: string;
}
export type TimeSetting = SettingPlace & { format: TimeFormat };
export type SwitchSetting = SettingPlace & { on: SwitchValue; off: SwitchValue };
export type NumberSetting = SettingPlace & { least?: number; most?: number; whole?: boolean };
/** Our words, and what the provider writes for each. */
export type ChoiceSetting = SettingPlace & { choices: Record<string, string> };
/** With its `#` or without. */
export type ColourSetting = SettingPlace & { format: '#rrggbb' | 'rrggbb' };
export type TextSetting = SettingPlace & { most?: number };
/** Both numbers in one parameter, joined by a comma, or the longitude in a parameter of its own. */
export type CoordinatesSetting = SettingPlace & { longitude?: string };

/** What a sheet says of each type of setting. */
export interface SheetSettingTypes {
  time: TimeSetting;
  switch: SwitchSetting;
  number: NumberSetting;
  choice: ChoiceSetting;
  colour: ColourSetting;
  text: TextSetting;
  coordinates: CoordinatesSetting;
}
export type SheetSetting = SheetSettingTypes[keyof SheetSettingTypes];

export interface SheetSettings {
  start?: TimeSetting;
  end?: TimeSetting;
  autoplay?: SwitchSetting;
  muted?: SwitchSetting;
  loop?: SwitchSetting;
  controls?: SwitchSetting;
  captions?: SwitchSetting;
  download?: SwitchSetting;
  language?: TextSetting;
  theme?: ChoiceSetting;
  accent?: ColourSetting;
  zoom?: NumberSetting;
  centre?: CoordinatesSetting;
  view?: ChoiceSetting;
  page?: NumberSetting;
  account?: TextSetting;
  count?: NumberSetting;
  delay?: TimeSetting;
  prefill?: TextSetting;
}

/** Parts of an address as the WHATWG URL Pattern standard matches them; the group `:id` is the item's own id. */
export interface AddressPattern {
  hostname: string;
  pathname: string;
  search?: string;
}

/** A frame of a provider. */
export interface FrameCode {
  address: string;
  width: number;
  height: number;
  title: string;
  allow: string[];
}

/** An element by what it is called: all that is said must hold. */
export interface MountPattern {
  element?: string;
  class?: string;
  attribute?: string;
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
  /** The addresses of its scripts, where its codes are an element and a script. */
  loaders?: AddressPattern[];
  /** The elements that its script fills. */
  mounts?: MountPattern[];
  /**
   * The code to make of an id alone: a frame, or parts one after the other. Addresses and parts are RFC 6570 templates
   * over `id`, and `scheme` and `port` of the link.
   */
  code: FrameCode | { parts: { role: Role; html: string }[] };
  /** The natural shape of its content, where it has one. */
  shape?: { width: number; height: number };
  /** The address that keeps nothing in visitors' browsers: this host in the place of the usual one. */
  quiet?: { host: string; instead: string };
  /** Where its links (not its frames) give the time to start at. */
  linkTime?: { in: ParameterPlace; name: string; format: TimeFormat };
  /** In the order in which parameters are written. */
  settings: SheetSettings;
  /** What its code needs beside what the code itself shows. */
  needs: Partial<Needs>;
}
