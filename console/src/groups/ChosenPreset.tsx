import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Preset } from '@orbis/contract';
import { nameOfPreset, PresetLine } from '../embed/presets/PresetLine.tsx';

/** Options under one name, to begin with. */
export function ChosenPreset({
  presets,
  value,
  onChange,
}: {
  presets: readonly Preset[];
  value: string;
  onChange: (preset: string) => void;
}) {
  const chosen = presets.find(({ key }) => key === value);
  return (
    <TextField
      label="A preset"
      select
      value={value}
      onChange={(event) => onChange(event.target.value)}
      helperText={chosen?.meaning}
      sx={{ maxWidth: 420 }}
      slotProps={{
        inputLabel: { shrink: true },
        select: {
          displayEmpty: true,
          // What was chosen is named in one line; its meaning stands below.
          renderValue: (key) => (key === '' ? 'None' : nameOfPreset(String(key))),
          MenuProps: { slotProps: { paper: { sx: { maxWidth: 440 } } } },
        },
      }}
    >
      <MenuItem value="">None</MenuItem>
      {presets.map((preset) => (
        <MenuItem key={preset.key} value={preset.key}>
          <PresetLine preset={preset} />
        </MenuItem>
      ))}
    </TextField>
  );
}
