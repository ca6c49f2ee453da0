import Alert from '@mui/material/Alert';
import { ApiError } from '@orbis/contract/client';

/** An error, in the sentence that the service or the core gave it. */
export function ProblemNote({ error }: { error: unknown }) {
  if (!error) return null;
  const told =
    error instanceof ApiError || (error instanceof Error && error.name === 'OrbisError')
      ? error.message
      : 'Something broke in the console itself. Load the page again.';
  return (
    <Alert severity="error" variant="outlined" sx={{ my: 1.5 }}>
      {told}
    </Alert>
  );
}
