import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import { LineField } from './LineField.tsx';
import { hintOf, type FieldProps } from './field.ts';

/** A number between two others: to be drawn, or to be written. */
export function SliderField({
  least,
  most,
  whole,
  ...field
}: FieldProps & { least: number; most: number; whole: boolean }) {
  const said = field.value.trim() || (field.inherited?.value ?? '');
  const now = Number(said);
  const known = said !== '' && now >= least && now <= most;
  const help = [
    field.help,
    field.inherited !== null && field.value.trim() === '' ? `${hintOf(field.inherited)}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '1fr 104px',
        gap: 2,
        alignItems: 'start',
        gridColumn: '1 / -1',
      }}
    >
      <Box sx={{ px: 1, pt: 1.25 }}>
        <Slider
          value={known ? now : least}
          min={least}
          max={most}
          step={whole ? 1 : 0.5}
          onChange={(_, value) => field.onChange(String(value))}
          aria-label={`${field.label}, as a slider`}
          // Nobody says anything yet: it stands nowhere.
          sx={known ? {} : { '& .MuiSlider-thumb': { opacity: 0.35 }, '& .MuiSlider-track': { opacity: 0 } }}
        />
      </Box>
      <Box sx={{ '& .MuiFormHelperText-root': { mx: 0 } }}>
        <LineField
          {...field}
          example={field.inherited?.value ?? field.example}
          inherited={null}
          help={undefined}
        />
      </Box>
      {help && (
        <Box
          sx={{ gridColumn: '1 / -1', typography: 'caption', color: 'text.secondary', mt: -1.5, px: 1.75 }}
        >
          {help}
        </Box>
      )}
    </Box>
  );
}
