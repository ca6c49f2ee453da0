import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { FieldProps } from './field.ts';

/** An option that is one of some words. */
export function ChoiceField({
  name,
  label,
  value,
  wrong,
  help,
  options,
  onChange,
}: FieldProps & { options: readonly (readonly [value: string, label: string])[] }) {
  return (
    <TextField
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      error={wrong !== undefined}
      helperText={wrong ?? help}
      select
      slotProps={{
        select: { displayEmpty: true },
        inputLabel: { shrink: true },
        htmlInput: { 'data-option': name },
      }}
    >
      {options.map(([word, said]) => (
        <MenuItem key={word} value={word}>
          {said}
        </MenuItem>
      ))}
    </TextField>
  );
}
