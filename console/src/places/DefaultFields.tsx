import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import { allOptions, type Kind, type Option, type Sheet } from '@orbis/core';
import { optionWords } from '@orbis/contract/language';
import type { Draft } from '../embed/draft.ts';
import { OptionField } from '../embed/fields/OptionField.tsx';
import { optionsOfProviders } from '../embed/own-options.ts';
import { fieldGrid, Folded } from '../embed/steps/Folded.tsx';
import { first, framesOfMany, groups, loading } from '../embed/steps/option-groups.ts';

const context = { player: null, zoom: 13 };

/* What only one item has cannot hold for many: its title, a place on its map, a heading above it. */
const ofOne: ReadonlySet<string> = new Set([
  ...[
    'title',
    'account',
    'prefill',
    'view',
    'page',
    'still',
    'still-also',
    'heights',
    'leave-out',
    'words-over',
  ],
  ...['heading', 'caption', 'link-below', 'link-below-words', 'whole-link', 'whole-link-name'],
]);
const isForMany = ({ name, type, group }: Option): boolean =>
  !ofOne.has(name) && group !== 'crop' && !['time', 'coordinates'].includes(type.name);

const settings = allOptions.filter((option) => option.stage === 'settings' && isForMany(option));

/** What a site asks of its embeds of one kind, or of all: settings first, then how they stand and load. */
export function DefaultFields({
  group,
  draft,
  wrong,
  sheets,
  onChange,
}: {
  group: Kind | 'any';
  draft: Draft;
  wrong: Record<string, string>;
  sheets: readonly Sheet[];
  onChange: (name: string, value: string) => void;
}) {
  const shown = (option: Option, label = optionWords(option.name).label, sheet: Sheet | null = null) => (
    <OptionField
      key={option.name}
      option={option}
      context={{ ...context, sheet }}
      name={option.name}
      label={label}
      value={draft[option.name] ?? ''}
      wrong={wrong[option.name]}
      help={optionWords(option.name, sheet).explain}
      example={option.example.replace('%', ' %')}
      inherited={null}
      onChange={(value) => onChange(option.name, value)}
    />
  );
  const own = optionsOfProviders(sheets.filter(({ kind }) => kind === group));
  return (
    <Stack spacing={1.5}>
      <Box sx={fieldGrid}>
        {settings
          .filter(({ kinds }) => kinds === 'any' || (group !== 'any' && kinds.includes(group)))
          .map((option) => shown(option))}
        {own.map(({ option, label, sheet }) => shown(option, label, sheet))}
        {[...first, ...loading].filter(isForMany).map((option) => shown(option))}
      </Box>
      {[...groups, framesOfMany].map(({ label, options }) => (
        <Folded
          key={label}
          label={label}
          options={options.filter(isForMany)}
          draft={draft}
          field={(option) => shown(option)}
        />
      ))}
    </Stack>
  );
}
