import { optionNamed, ownOptions, type Option, type Sheet } from '@orbis/core';

/** An option of one provider, where embeds of several are meant: by the name that says whose it is. */
export interface ProvidersOption {
  option: Option;
  label: string;
  sheet: Sheet;
}

/**
 * What these sheets declare beside the table of options, each under its provider’s name: “Layout (Fennfeed)”.
 */
export const optionsOfProviders = (sheets: readonly Sheet[]): ProvidersOption[] =>
  sheets.flatMap((sheet) =>
    ownOptions(sheet).map(({ name, own }) => ({
      option: optionNamed(`${sheet.id}.${name}`, sheet)!,
      label: `${own?.label ?? name} (${sheet.name})`,
      sheet,
    })),
  );
