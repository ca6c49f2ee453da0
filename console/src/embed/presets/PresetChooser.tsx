import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { Preset } from '@orbis/contract';
import { useList } from '../../api.ts';
import { PresetLine } from './PresetLine.tsx';

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
      sx={{ flex: 1, minWidth: 190 }}
      slotProps={{ select: { MenuProps: { slotProps: { paper: { sx: { maxWidth: 440 } } } } } }}
    >
      {presets.items.map((preset) => (
        <MenuItem key={preset.key} value={preset.key}>
          <PresetLine preset={preset} />
        </MenuItem>
      ))}
    </TextField>
  );
}
