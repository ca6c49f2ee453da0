import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { fixedSizes, type FixedSize, type FixedSizeName } from '@orbis/core';
import { spoken } from '@orbis/contract/language';

const names = Object.keys(fixedSizes) as FixedSizeName[];
const words = ({ width, height }: FixedSize): string => `${width}×${height}`;

/** Chooses one of the sizes that advertisements are made in; another one that is set is kept as it is. */
export function FixedSizeField({
  label,
  size: { width, height },
  onChange,
}: {
  label: string;
  size: { width: number; height: number | undefined };
  onChange: (size: FixedSize) => void;
}) {
  const known = names.find((name) => fixedSizes[name].width === width && fixedSizes[name].height === height);
  return (
    <TextField
      select
      label={label}
      value={known ?? ''}
      onChange={({ target }) => onChange(fixedSizes[target.value as FixedSizeName])}
      slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      sx={{ flex: '1 1 200px' }}
    >
      {!known && (
        <MenuItem value="">{height === undefined ? `${width} px wide` : words({ width, height })}</MenuItem>
      )}
      {names.map((name) => (
        <MenuItem key={name} value={name}>
          {spoken.spots.fixedSizes[name]}, {words(fixedSizes[name])}
        </MenuItem>
      ))}
    </TextField>
  );
}
