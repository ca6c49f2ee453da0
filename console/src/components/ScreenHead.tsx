import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useDocumentTitle } from './useDocumentTitle.ts';

/** The title of a screen, one sentence on what it is for, and what can be done there. */
export function ScreenHead({
  title,
  lead,
  children,
}: {
  title: string;
  lead?: ReactNode;
  children?: ReactNode;
}) {
  useDocumentTitle(title);
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 2,
        alignItems: 'flex-start',
        justifyContent: 'space-between',
        mb: 3.5,
      }}
    >
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="h1" sx={{ overflowWrap: 'anywhere' }}>
          {title}
        </Typography>
        {lead && (
          <Typography component="div" color="textSecondary" sx={{ mt: 0.75, maxWidth: 640 }}>
            {lead}
          </Typography>
        )}
      </Box>
      {children && <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>{children}</Box>}
    </Box>
  );
}
