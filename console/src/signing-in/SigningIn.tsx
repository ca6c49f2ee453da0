import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useDocumentTitle } from '../components/useDocumentTitle.ts';
import mark from '../mark.svg';
import { wayBackFrom } from './way-back.ts';

/** The quiet page around everything that has to do with signing in. */
export function SigningIn({ title, children }: { title: string; children: ReactNode }) {
  useDocumentTitle(title);
  return (
    <Box component="main" sx={{ minHeight: '100vh', display: 'grid', placeItems: 'center', p: 2 }}>
      <Paper variant="outlined" sx={{ p: { xs: 3, sm: 5 }, width: '100%', maxWidth: 440 }}>
        <img src={mark} alt="Orbis" width="40" height="40" />
        <Typography variant="h1" sx={{ mt: 2, mb: 2.5 }}>
          {title}
        </Typography>
        {children}
      </Paper>
    </Box>
  );
}

/**
 * The one-time secret in the page's fragment; it is taken out of the address at once, so
 * that it stays in no history.
 */
export function takeSecret(): string | null {
  const secret = location.hash.slice(1);
  if (secret) history.replaceState(history.state, '', location.pathname + location.search);
  return secret || null;
}

/** Where to go once signed in. */
export const wayBack = (): string => wayBackFrom(location.href);
