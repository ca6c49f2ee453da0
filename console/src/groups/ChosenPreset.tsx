import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Preset } from '@orbis/contract';

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
      slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
    >
      <MenuItem value="">None</MenuItem>
      {presets.map(({ key }) => (
        <MenuItem key={key} value={key}>
          {key.replaceAll('-', ' ')}
        </MenuItem>
      ))}
    </TextField>
  );
}
