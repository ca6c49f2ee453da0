import { optionsFor, type Option, type Reading, type Sheet } from '@orbis/core';

/** The settings of a code: those that can be had, and those that only its provider does not offer. */
export interface OfferedSettings {
  offered: Option[];
  missing: Option[];
}

/**
 * Settings in the order of the sheet: what matters most of this provider stands first in it. What makes no
 * sense for this kind is in neither list.
 */
export function settingsFor(sheet: Sheet | null, reading: Pick<Reading, 'kind' | 'parts'>): OfferedSettings {
  const order = [...Object.keys(sheet?.settings ?? {}), ...Object.keys(sheet?.options ?? {})];
  const place = ({ name }: Option): number => (order.includes(name) ? order.indexOf(name) : order.length);
  const settings = optionsFor(sheet).filter(({ stage }) => stage === 'settings');
  const ofEveryCode = (option: Option): boolean => option.isOffered(null, null);
  const fits = ({ kinds }: Option): boolean => kinds === 'any' || kinds.includes(reading.kind);
  const offered = settings.filter((option) => option.isOffered(sheet, reading));
  return {
    offered: [
      ...offered.filter((option) => !ofEveryCode(option)).sort((a, b) => place(a) - place(b)),
      ...offered.filter(ofEveryCode),
    ],
    missing: settings.filter((option) => !ofEveryCode(option) && !offered.includes(option) && fits(option)),
  };
}
