import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { CopyButton } from '../components/CopyButton.tsx';
import { mono } from '../theme.ts';

/** Where a feed reader finds what was done, and with what it may ask. */
export function Feed() {
  const address = `${location.origin}/api/v1/changes.atom`;
  return (
    <Box component="section" aria-label="Follow it in a feed reader" sx={{ maxWidth: 640 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        Follow it in a feed reader
      </Typography>
      <Typography sx={{ mb: 1.5 }}>
        Add this address to the program with which you read news. Where it asks for a name and a password,
        type any name, and as the password a token that may only read: <Link to="/account">Account</Link>{' '}
        makes one.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        <Box component="code" sx={{ fontFamily: mono, fontSize: 14, overflowWrap: 'anywhere' }}>
          {address}
        </Box>
        <CopyButton text={address} label="Copy the address" />
      </Box>
    </Box>
  );
}
