import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Down from '@mui/icons-material/KeyboardArrowDown';
import Left from '@mui/icons-material/KeyboardArrowLeft';
import Right from '@mui/icons-material/KeyboardArrowRight';
import Up from '@mui/icons-material/KeyboardArrowUp';
import { parseCoordinates, formatCoordinates } from '@orbis/core';
import { LineField } from './LineField.tsx';
import type { FieldProps } from './field.ts';

/* How far one step goes, in degrees, by how close the map is: about a tenth of what is seen of it. */
const stepAt = (zoom: number): number => Math.max(0.0001, 36 / 2 ** Math.min(20, Math.max(0, zoom)));
const round = (degrees: number): number => Math.round(degrees * 1e6) / 1e6;

/** A place on a map, by its coordinates; from there it is moved in steps. */
export function PlaceField({ zoom, ...field }: FieldProps & { zoom: number }) {
  const read = parseCoordinates(field.value || (field.inherited?.value ?? ''));
  const move = (north: number, east: number) => () => {
    if (!read.ok) return;
    const step = stepAt(zoom);
    field.onChange(
      formatCoordinates({
        latitude: round(read.value.latitude + north * step * 0.6),
        longitude: round(read.value.longitude + east * step),
      }),
    );
  };
  return (
    <Box sx={{ gridColumn: '1 / -1', display: 'grid' }}>
      <LineField
        {...field}
        end={
          read.ok ? (
            <Box sx={{ display: 'flex', flex: 'none' }}>
              {(
                [
                  ['West', Left, 0, -1],
                  ['North', Up, 1, 0],
                  ['South', Down, -1, 0],
                  ['East', Right, 0, 1],
                ] as const
              ).map(([words, Icon, north, east]) => (
                <IconButton
                  key={words}
                  size="small"
                  aria-label={`${words} by a step`}
                  onClick={move(north, east)}
                  sx={{ p: 0.25 }}
                >
                  <Icon fontSize="small" />
                </IconButton>
              ))}
            </Box>
          ) : undefined
        }
      />
    </Box>
  );
}
