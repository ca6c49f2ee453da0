import Alert from '@mui/material/Alert';
import { ApiError, OrbisError } from '@orbis/contract';

/** An error, in the sentence that the service or the core gave it. */
export function ProblemNote({ error }: { error: unknown }) {
  if (!error) return null;
  const told = error instanceof ApiError || error instanceof OrbisError ? error.message : 'Something broke in the console itself. Load the page again.';
  return (
    <Alert severity="error" variant="outlined" sx={{ my: 1.5 }}>
      {told}
    </Alert>
  );
}
