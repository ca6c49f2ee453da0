import Box from '@mui/material/Box';
import { parseColour } from '@orbis/core';
import { LineField } from './LineField.tsx';
import type { FieldProps } from './field.ts';

/** A colour: picked, or written. */
export function ColourField(field: FieldProps) {
  const read = parseColour(field.value);
  return (
    <LineField
      {...field}
      end={
        <Box
          component="input"
          type="color"
          aria-label={`${field.label}, picked`}
          value={read.ok ? read.value : '#808080'}
          onChange={(event) => field.onChange(event.target.value)}
          sx={{
            width: 36,
            height: 28,
            p: 0,
            border: 0,
            borderRadius: 1,
            bgcolor: 'transparent',
            cursor: 'pointer',
            flex: 'none',
            opacity: read.ok ? 1 : 0.4,
          }}
        />
      }
    />
  );
}
