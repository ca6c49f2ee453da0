import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { FieldProps } from './field.ts';

/** A wish that is one of some words. */
export function ChoiceField({ name, label, value, wrong, help, options, onChange }: FieldProps & { options: readonly [value: string, label: string][] }) {
  return (
    <TextField
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      error={wrong !== undefined}
      helperText={wrong ?? help}
      select
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true }, htmlInput: { 'data-wish': name } }}
    >
      {options.map(([word, said]) => (
        <MenuItem key={word} value={word}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
}
