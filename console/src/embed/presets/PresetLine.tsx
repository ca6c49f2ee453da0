import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Preset } from '@orbis/contract';
import { pictureOfPreset } from './pictures.ts';

/** A preset in a list: how it looks, what it is called and what it is for. */
export function PresetLine({ preset: { key, meaning } }: { preset: Preset }) {
  const picture = pictureOfPreset(key);
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', whiteSpace: 'normal', py: 0.25 }}>
      <Box
        sx={{
          flex: 'none',
          width: 96,
          height: 60,
          borderRadius: 0.75,
          overflow: 'hidden',
          bgcolor: 'action.hover',
        }}
      >
        {picture && (
          <img src={picture} alt="" width={96} height={60} loading="lazy" style={{ display: 'block' }} />
        )}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography>{nameOfPreset(key)}</Typography>
        <Typography variant="body2" color="textSecondary">
          {meaning}
        </Typography>
      </Box>
    </Box>
  );
}

/** A preset by its name, as it is read. */
export const nameOfPreset = (key: string): string => key.replaceAll('-', ' ');
