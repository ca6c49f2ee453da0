import type { SettingDefinition, Sheet, SheetSetting } from '@orbis/core';

/** What every field of a wish is given. */
export interface FieldProps {
  name: string;
  label: string;
  value: string;
  /** What is wrong with it, or why it cannot be. */
  wrong: string | undefined;
  /** What it is for, or what came with it. */
  help: string | undefined;
  example: string;
  onChange: (value: string) => void;
}

/** What a sheet says of a setting. */
export const ruleOf = (sheet: Sheet | null, { name }: Pick<SettingDefinition, 'name'>): SheetSetting | undefined => sheet?.settings[name as keyof Sheet['settings']];
