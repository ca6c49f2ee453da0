import type { ParameterPlace } from '../text/index.ts';
import type { Kind, Needs, Role } from '../reading/reading.ts';

/** How a provider writes a time: 112, 112000, 1:52 or 1m52s. */
export const timeFormats = ['seconds', 'milliseconds', 'clock', 'units'] as const;
export type TimeFormat = (typeof timeFormats)[number];

/**
 * A value of a switch: written so, standing alone without a value (`true`), or not there at all (`null`). In
 * JSON and in options `true` and `false` are themselves.
 */
export type SwitchValue = string | boolean | null;

/**
 * Whose address or attribute a setting is in: the frame's, the player's of a file, the element's that a
 * loader fills, the loader's own, or the script's that sets it up.
 */
export const settingTargets = ['frame', 'media', 'mount', 'loader', 'setup'] as const;
export type SettingTarget = (typeof settingTargets)[number];

/**
 * Where in a code a setting can stand: a parameter of an address, a step of its path, an attribute, a member
 * of the JSON in an attribute, or a member of the options object that a script hands over.
 */
export const settingPlaces = ['query', 'fragment', 'path', 'attribute', 'json', 'option'] as const;

/** Where a setting goes in this provider's code. */
export interface SettingPlace {
  in: (typeof settingPlaces)[number];
  /**
   * Of the parameter or attribute; in a path, of the group in the frames' patterns; in JSON and options, of
   * the member, with dots from the outside in.
   */
  name: string;
  /** In a path: a step of its own that is there only for this, such as `skin-{value}`. */
  piece?: string;
  /** In JSON: the attribute that holds it. */
  attribute?: string;
  /** In an option: what is called with the object, or what it is assigned to. */
  call?: string;
  /** The frame's where nothing is said. */
  of?: SettingTarget;
  /** What else it needs beside it: parameters in the same place. `{id}` stands for the item's own id. */
  companions?: { name: string; value: string }[];
  /** A permission that the frame needs for it, in `allow`. */
  permission?: string;
  /** Other settings that this one shuts out, where it is more than “off”. */
  excludes?: string[];
  /** What the provider says of it, as one sentence for owners. */
  note?: string;
}
/**
 * With `span`, start and end share one parameter, as in Media Fragments URI 1.0, section 4.2.1: `t=112,184`.
 */
export type TimeSetting = SettingPlace & { format: TimeFormat; span?: 'start' | 'end' };
export type SwitchSetting = SettingPlace & { on: SwitchValue; off: SwitchValue };
export type NumberSetting = SettingPlace & { least?: number; most?: number; whole?: boolean };
/** Our words, and what the provider writes for each. */
export type ChoiceSetting = SettingPlace & { choices: Record<string, string> };
/** With its `#` or without. */
export type ColourSetting = SettingPlace & { format: '#rrggbb' | 'rrggbb' };
export type TextSetting = SettingPlace & { most?: number };
/** Both numbers in one parameter, joined by a comma, or the longitude in a parameter of its own. */
export type CoordinatesSetting = SettingPlace & { longitude?: string };
/** The items one after the other, joined by this: a comma where nothing is said. */
export type ListSetting = SettingPlace & { most?: number; joint?: string };

/** What a sheet says of each type of setting. */
export interface SheetSettingTypes {
  time: TimeSetting;
  switch: SwitchSetting;
  number: NumberSetting;
  choice: ChoiceSetting;
  colour: ColourSetting;
  text: TextSetting;
  coordinates: CoordinatesSetting;
  length: SettingPlace;
  address: SettingPlace;
  picture: SettingPlace;
  list: ListSetting;
}
export type SheetSetting = SheetSettingTypes[keyof SheetSettingTypes];

/** What only this provider has, in its own words: a layout, what is counted, the words of a button. */
export interface OwnOptionWords {
  /** A word or two, as the label of a field. */
  label: string;
  /** One sentence for owners. */
  explain: string;
  /** A value as people type it. */
  example: string;
  /** Of a choice: what its words are called. */
  labels?: Readonly<Record<string, string>>;
}

/** An option that a sheet declares: its type, its words, where it goes and what narrows it. */
export type SheetOption = {
  [Type in keyof SheetSettingTypes]: { type: Type } & OwnOptionWords & SheetSettingTypes[Type];
}[keyof SheetSettingTypes];

/** By the names of settings, in the order in which parameters are written. */
export type SheetSettings = Readonly<Record<string, SheetSetting>>;

/**
 * Parts of an address as the WHATWG URL Pattern standard matches them; the group `:id` is the item's own id.
 */
export interface AddressPattern {
  hostname: string;
  pathname: string;
  search?: string;
}

/** A frame of a provider, or the player of a file. */
export interface FrameCode {
  /** A frame where nothing is said. */
  element?: 'iframe' | 'video' | 'audio' | 'img';
  address: string;
  width?: number;
  height?: number;
  /** `{name}` stands for the file's name, as people would write it. */
  title: string;
  allow: string[];
  /** Attributes beside these. */
  attributes?: Record<string, string>;
}

/**
 * What a provider keeps of an item on pages of its own: how it is set, what visitors chose, what they sent,
 * and how often it was seen.
 */
export const keptThings = ['settings', 'choices', 'answers', 'counts'] as const;
export type KeptThing = (typeof keptThings)[number];

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
   * The code to make of an id alone: a frame, or parts one after the other. Addresses and parts are RFC 6570
   * templates over `id`, `scheme` and `port` of the link, and `link`, which is all of it.
   */
  code: FrameCode | { parts: { role: Role; html: string }[] };
  /** The natural shape of its content, where it has one. */
  shape?: { width: number; height: number };
  /** How high its content usually is in the text of a page, in px, where it has no shape: a guess. */
  height?: number;
  /** The address that keeps nothing in visitors' browsers: this host in the place of the usual one. */
  privacyHost?: { host: string; instead: string };
  /** Where its links (not its frames) give the time to start at. */
  linkTime?: { in: ParameterPlace; name: string; format: TimeFormat };
  /** In the order in which parameters are written. */
  settings: SheetSettings;
  /** Options that only this provider has, by names that no setting of Orbis has. */
  options?: Readonly<Record<string, SheetOption>>;
  /** What its code needs beside what the code itself shows. */
  needs: Partial<Needs>;
  /** Why it needs that, in a sentence each. */
  why?: Partial<Record<keyof Needs, string>>;
  /**
   * It is for files that anybody may have on a host of their own: the endings of
   * their names, without the dot.
   */
  files?: string[];
  /** It is for pages of any site, where nothing else is known of a link. */
  pages?: boolean;
  /** Parameters of its addresses that only follow people and change nothing of what is shown. */
  tracks?: string[];
  /** Where it answers questions about its links (oEmbed 1.0, section 2.1). */
  oembed?: { endpoint: string; formats?: ('json' | 'xml')[] };
  /** Where people can see the item itself: an RFC 6570 template as those of the code. */
  direct?: string;
  /**
   * Where its owner finds what it keeps of an item: RFC 6570 templates as those of the code; and whether what
   * is changed there shows without a new code.
   */
  keeps?: { what: KeptThing; at: string; instant?: boolean }[];
  /**
   * How its player tells its time to the page around it: where in the messages that it posts (HTML, section
   * 9.3) the time stands.
   */
  tellsTime?: { member: string; format: 'seconds' | 'milliseconds' };
  /** How its frame tells the page around it how high it is: where in its messages that stands, in px. */
  tellsHeight?: { member: string };
  /** Worth knowing before one relies on it, in plain words. */
  about?: { limits?: string; terms?: string; costs?: string };
  /** Where it answers when no link says it; https on the usual port where nothing is said. */
  answers?: { scheme: 'http' | 'https'; port?: number };
}

/**
 * What a sheet says of a setting, or of an option of its own, which may also be called by the sheet’s name
 * (`tallywren.counts`). A sheet’s schema sees to it that the rule is of the setting’s own type, which the
 * caller may name.
 */
export function ruleOf<Type extends keyof SheetSettingTypes = keyof SheetSettingTypes>(
  sheet: Sheet | null,
  name: string,
): SheetSettingTypes[Type] | undefined {
  if (!sheet) return undefined;
  return (Object.hasOwn(sheet.settings, name) ? sheet.settings[name] : ownRuleOf(sheet, name)) as
    SheetSettingTypes[Type] | undefined;
}

/** What a sheet declares as an option of its own; undefined where it has none of that name. */
export function ownRuleOf(
  { id, options = {} }: Pick<Sheet, 'id' | 'options'>,
  name: string,
): SheetOption | undefined {
  const bare = name.startsWith(`${id}.`) ? name.slice(id.length + 1) : name;
  return Object.hasOwn(options, bare) ? options[bare] : undefined;
}
