import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Preset } from '@orbis/contract';
import { useList } from '../api.ts';

/** Puts the options of a preset into the form; nothing is saved by that. */
export function PresetChooser({ onChoose }: { onChoose: (preset: Preset) => void }) {
  const presets = useList('presets.list', {});
  return (
    <TextField
      select
      size="small"
      label="Put a preset on it"
      value=""
      onChange={(event) => {
        const preset = presets.items.find(({ key }) => key === event.target.value);
        if (preset) onChoose(preset);
      }}
      sx={{ minWidth: 190 }}
    >
      {presets.items.map(({ key, meaning }) => (
        <MenuItem key={key} value={key} title={meaning}>
          {key.replaceAll('-', ' ')}
        </MenuItem>
      ))}
    </TextField>
  );
}
