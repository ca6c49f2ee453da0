import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** How something is: a dot, and the words for it. */
export const Wellness = ({ isWell, children }: { isWell: boolean | null; children: ReactNode }) => (
  <Box
    component="span"
    sx={{
      display: 'inline-flex',
      alignItems: 'baseline',
      gap: 1,
      fontWeight: 600,
      color: isWell === null ? 'text.secondary' : isWell ? 'success.main' : 'error.main',
    }}
  >
    <Box
      component="span"
      aria-hidden
      sx={{
        width: 9,
        height: 9,
        flex: 'none',
        borderRadius: '50%',
        border: '2px solid currentcolor',
        bgcolor: isWell === null ? 'transparent' : 'currentcolor',
      }}
    />
    <span>{children}</span>
  </Box>
);
