import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { dressNamed, settings, type Sheet } from '@orbis/core';
import type { Outcome } from '@orbis/contract';
import type { Draft } from './draft.ts';

const labels: Record<string, string> = {
  'start': 'Start',
  'end': 'End',
  'autoplay': 'Plays by itself',
  'muted': 'Silent',
  'loop': 'Again and again',
  'controls': 'Buttons',
  'fit': 'Fit',
  'shape': 'Shape',
  'share': 'Share of the width',
  'max-width': 'Never wider than',
  'align': 'Stands',
};
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
const units: Record<string, string> = { 'max-width': 'px' };

interface Props {
  draft: Draft;
  wrong: Record<string, string>;
  /** What stands against the wishes together. */
  problems: Outcome['problems'];
  brought: Outcome['brought'];
  sheet: Sheet | null;
  onChange: (name: string, value: string) => void;
}

/** Settings and dress as a form, in plain words. What the provider does not offer stays visible, and says why. */
export function WishForm({ draft, wrong, problems, brought, sheet, onChange }: Props) {
  const field = (name: string, explain: string, example: string, options: [string, string][] | undefined, off: string | null) => {
    const against = problems.find((problem) => problem.wish === name);
    const with_ = brought.find((b) => b.wish === name);
    const help = wrong[name] ?? against?.detail ?? (off || undefined) ?? (with_ ? `Yes, because ${with_.reason}.` : undefined);
    return (
      <TextField
        key={name}
        label={labels[name] ?? name}
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
  const offReason = (name: string): string | null => {
    if (!sheet) return ''; // said once, above all of them
    return name in sheet.settings ? null : `${sheet.name} does not offer this.`;
  };
  const grid = { display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, gap: 2 };
  return (
    <Stack spacing={3}>
      <Stack spacing={2} component="fieldset" sx={{ border: 0, p: 0, m: 0, minWidth: 0 }}>
        <Typography variant="h3" component="legend">
          What it does
        </Typography>
        {!sheet && <Typography color="textSecondary">Orbis has no sheet for this provider, so it does not know where these go in its code.</Typography>}
        <Box sx={grid}>{settings.map((s) => field(s.name, s.explain, s.example, s.type === 'switch' ? onOff : undefined, offReason(s.name)))}</Box>
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
