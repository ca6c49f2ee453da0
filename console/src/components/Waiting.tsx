import Box from '@mui/material/Box';
import CircularProgress from '@mui/material/CircularProgress';

/** While something is being fetched. */
export function Waiting() {
  return (
    <Box sx={{ p: 6, textAlign: 'center' }}>
      <CircularProgress aria-label="Loading" />
    </Box>
  );
}
