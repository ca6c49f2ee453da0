import { optionNamed, type Option, type Sheet } from '@orbis/core';
import { optionWords } from '@orbis/contract/language';
import type { Draft } from '../draft.ts';

/** What of some options is set, in a few words: “Start 1:52 · End 3:04”. */
export function saysOf(options: readonly Option[], draft: Draft, sheet: Sheet | null): string {
  const set = options.flatMap((option) => {
    const value = draft[option.name]?.trim();
    return value ? [`${optionWords(option.name, sheet).label} ${inWords(option, value, sheet)}`] : [];
  });
  return set.length === 0 ? 'As in the code' : set.join(' · ');
}

function inWords({ name, type }: Option, value: string, sheet: Sheet | null): string {
  const words = optionWords(name, sheet).words?.[value];
  if (words) return lower(words);
  if (type.name === 'picture' && value.startsWith('data:')) return 'in the code';
  if (type.name === 'switch') return value === 'on' ? 'yes' : 'no';
  return optionNamed(name, sheet)?.type.limits.unit === 'px' ? `${value} px` : value;
}

const lower = (words: string): string => words.charAt(0).toLowerCase() + words.slice(1);
