import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { dressNamed, frameSettings, settingNamed, settings, type SettingDefinition, type Sheet } from '@orbis/core';
import type { Outcome, Reading } from '@orbis/contract';
import type { Draft } from './draft.ts';

/* What options of dress are called in the form; settings bring their labels. */
const labels: Record<string, string> = { 'fit': 'Fit', 'shape': 'Shape', 'share': 'Share of the width', 'max-width': 'Never wider than', 'align': 'Stands' };
const choices: Record<string, [value: string, label: string][]> = {
  fit: [
    ['', 'As in the code'],
    ['shape', 'Fills its place'],
  ],
  align: [
    ['', 'As in the code'],
    ['left', 'On the left'],
    ['centre', 'In the middle'],
    ['right', 'On the right'],
  ],
};
const onOff: [string, string][] = [
  ['', 'As in the code'],
  ['on', 'Yes'],
  ['off', 'No'],
];
const units: Record<string, string> = { 'max-width': 'px', 'width': 'px', 'height': 'px' };

interface Props {
  draft: Draft;
  wrong: Record<string, string>;
  /** What stands against the wishes together. */
  problems: Outcome['problems'];
  brought: Outcome['brought'];
  sheet: Sheet | null;
  /** What the code shows, and whether it has a frame or player of its own. */
  reading: Reading;
  onChange: (name: string, value: string) => void;
}

/** Settings and dress as a form, in plain words. What the provider does not offer stays visible, and says why. */
export function WishForm({ draft, wrong, problems, brought, sheet, reading, onChange }: Props) {
  const field = (name: string, explain: string, example: string, options: [string, string][] | undefined, off: string | null) => {
    const against = problems.find((problem) => problem.wish === name);
    const with_ = brought.find((b) => b.wish === name);
    const help = wrong[name] ?? against?.detail ?? (off || undefined) ?? (with_ ? `Yes, because ${with_.reason}.` : undefined);
    return (
      <TextField
        key={name}
        label={settingNamed(name)?.label ?? labels[name] ?? name}
        value={draft[name] ?? ''}
        onChange={(event) => onChange(name, event.target.value)}
        error={Boolean(wrong[name] ?? against)}
        helperText={help ?? (options || off !== null ? undefined : explain)}
        disabled={off !== null}
        select={options !== undefined}
        placeholder={example.replace('%', ' %')}
        slotProps={{
          input: { endAdornment: units[name] ? <Typography color="textSecondary">{units[name]}</Typography> : undefined },
          select: { displayEmpty: true },
          inputLabel: { shrink: true },
          htmlInput: { 'data-wish': name },
        }}
      >
        {options?.map(([value, label]) => (
          <MenuItem key={value} value={value}>
            {label}
          </MenuItem>
        ))}
      </TextField>
    );
  };
  const hasFrame = reading.parts.some(({ role }) => role === 'frame' || role === 'media');
  const offered = ({ name }: SettingDefinition): boolean =>
    frameSettings.has(name) ? hasFrame : sheet !== null && (name in sheet.settings || (name === 'privacy' && sheet.quiet !== undefined));
  /* What makes no sense for this kind is not shown; what this provider does not offer is, and says so. */
  const shown = settings.filter((setting) => offered(setting) || (!frameSettings.has(setting.name) && (setting.kinds === 'any' || setting.kinds.includes(reading.kind))));
  const offReason = (setting: SettingDefinition): string | null => {
    if (offered(setting)) return null;
    return sheet ? `${sheet.name} does not offer this.` : ''; // said once, above all of them
  };
  const noteOf = ({ name }: SettingDefinition): string | undefined => sheet?.settings[name as keyof Sheet['settings']]?.note;
  const optionsOf = ({ name, type }: SettingDefinition): [string, string][] | undefined => {
    if (type === 'switch') return onOff;
    const rule = sheet?.settings[name as keyof Sheet['settings']];
    if (type !== 'choice' || !rule || !('choices' in rule)) return undefined;
    return [['', 'As in the code'], ...Object.keys(rule.choices).map((word): [string, string] => [word, word.charAt(0).toUpperCase() + word.slice(1)])];
  };
  const grid = { display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 };
  return (
    <Stack spacing={3}>
      <Stack spacing={2} component="fieldset" sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}>
        <Typography variant="h3" component="legend">
          What it does
        </Typography>
        {!sheet && <Typography color="textSecondary">Orbis has no sheet for this provider, so it does not know where these go in its code.</Typography>}
        <Box sx={grid}>{shown.map((s) => field(s.name, [s.explain, noteOf(s)].filter(Boolean).join(' '), s.example, optionsOf(s), offReason(s)))}</Box>
      </Stack>
      <Stack spacing={2} component="fieldset" sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}>
        <Typography variant="h3" component="legend">
          How it sits on the page
        </Typography>
        <Box sx={grid}>
          {(['fit', 'align', 'max-width', 'share', 'shape'] as const).map((name) => {
            const option = dressNamed(name)!;
            return field(name, option.explain, option.example, choices[name], null);
          })}
        </Box>
      </Stack>
    </Stack>
  );
}
