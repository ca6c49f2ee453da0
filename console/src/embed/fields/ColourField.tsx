import Box from '@mui/material/Box';
import { parseColour } from '@orbis/core';
import { SwatchButton } from '../../components/SwatchButton.tsx';
import { LineField } from './LineField.tsx';
import type { FieldProps } from './field.ts';
import { useSiteColours } from './site-colours.ts';

/** A colour: one of the sites’ own, picked, or written. */
export function ColourField(field: FieldProps) {
  const read = parseColour(field.value);
  const own = useSiteColours();
  return (
    <Box sx={{ minWidth: 0 }}>
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
      {own.length > 0 && (
        <Box
          role="group"
          aria-label={`${field.label}, of your sites`}
          sx={{ display: 'flex', flexWrap: 'wrap' }}
        >
          {own.map((colour) => (
            <SwatchButton
              key={colour}
              colour={colour}
              chosen={read.ok && read.value === colour}
              onChoose={() => field.onChange(colour)}
            />
          ))}
        </Box>
      )}
    </Box>
  );
}
