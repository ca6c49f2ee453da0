import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { hintOf, type FieldProps } from './field.ts';

interface LineProps extends FieldProps {
  end?: ReactNode;
  unit?: string | undefined;
  /** Whether phones should offer the keys of an address. */
  isAddress?: boolean;
  /** Whether what is written in it is long. */
  isWide?: boolean;
}

/** An option that is written as a line. */
export function LineField({
  name,
  label,
  value,
  wrong,
  help,
  example,
  inherited,
  onChange,
  end,
  unit,
  isAddress = false,
  isWide = isAddress,
}: LineProps) {
  return (
    <TextField
      label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      error={wrong !== undefined}
      helperText={wrong ?? help}
      {...(isWide && { sx: { gridColumn: '1 / -1' } })}
      placeholder={inherited === null ? example : hintOf(inherited)}
      slotProps={{
        input: {
          endAdornment:
            end ?? (unit === undefined ? undefined : <Typography color="textSecondary">{unit}</Typography>),
        },
        inputLabel: { shrink: true },
        htmlInput: { 'data-option': name, ...(isAddress && { inputMode: 'url' }) },
      }}
    />
  );
}
