import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import { parseColour } from '@orbis/core';
import { Swatch } from '../../components/Swatch.tsx';
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
            <ButtonBase
              key={colour}
              aria-label={colour}
              aria-pressed={read.ok && read.value === colour}
              onClick={() => field.onChange(colour)}
              sx={{
                'p': 0.5,
                'borderRadius': '50%',
                '&[aria-pressed=true]': { outline: '2px solid', outlineOffset: -1 },
              }}
            >
              <Swatch colour={colour} />
            </ButtonBase>
          ))}
        </Box>
      )}
    </Box>
  );
}
