import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useRouteError } from 'react-router';
import { useDocumentTitle } from './useDocumentTitle.ts';

/* How browsers call a piece of the console that is not on the server any more. */
const isOld = (error: unknown): boolean => error instanceof TypeError && /module|import/i.test(error.message);

/** In the place of a screen that broke: what that means for the owner, and the way on. */
export function Broken() {
  const error = useRouteError();
  useDocumentTitle('Something broke');
  const old = isOld(error);
  return (
    <Box role="alert" sx={{ maxWidth: 560, py: 4 }}>
      <Typography variant="h1">{old ? 'There is a newer version' : 'This screen broke'}</Typography>
      <Typography sx={{ my: 2 }}>
        {old
          ? 'Orbis was renewed since this page was opened. Load it again to go on.'
          : 'Something went wrong in the console itself. Nothing that was saved is lost; what you were typing may be. Load the page again to go on.'}
      </Typography>
      <Button variant="contained" onClick={() => location.reload()}>
        Load the page again
      </Button>
    </Box>
  );
}
