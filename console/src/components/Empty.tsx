import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

/** What a list shows while it is empty: what to do. */
export function Empty({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <Box
      sx={{
        border: '1.5px dashed',
        borderColor: 'divider',
        borderRadius: 1,
        p: { xs: 3, sm: 5 },
        textAlign: 'center',
      }}
    >
      <Typography variant="h2">{title}</Typography>
      <Typography component="div" color="textSecondary" sx={{ mt: 1, maxWidth: 520, mx: 'auto' }}>
        {children}
      </Typography>
    </Box>
  );
}
