import { dailyAt, type DailyAt } from './schedule.ts';
import type { Keep } from './retention.ts';
import type { Settings } from '../settings.ts';

/** How copies are made by themselves, and by whoever asks for one. */
export interface CopyPlan {
  folder: string;
  at: DailyAt;
  keep: Keep;
  recipients: readonly string[];
  readBack: 'each' | 'weekly' | 'never';
}

/** What the settings say of copies; null where they name no folder. */
export function copyPlan(settings: Settings): CopyPlan | null {
  const { ORBIS_COPIES_TO: folder } = settings;
  if (folder === undefined) return null;
  return {
    folder,
    at: dailyAt(settings.ORBIS_COPIES_AT),
    keep: keepIn(settings.ORBIS_COPIES_KEEP),
    recipients: recipientsIn(settings.ORBIS_COPIES_RECIPIENTS),
    readBack: settings.ORBIS_COPIES_READ_BACK,
  };
}

export const recipientsIn = (text: string | undefined): string[] =>
  (text ?? '').split(/[\s,]+/).filter((each) => each !== '');

/** @example keepIn('7d 4w 12m') // { days: 7, weeks: 4, months: 12 } */
export function keepIn(text: string): Keep {
  const parts = text.split(' ');
  const of = (unit: string): number => Number(parts.find((part) => part.endsWith(unit))?.slice(0, -1) ?? 0);
  return { days: of('d'), weeks: of('w'), months: of('m') };
}
