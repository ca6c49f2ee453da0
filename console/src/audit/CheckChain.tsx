import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { AuditChecked } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api } from '../api.ts';
import { CopyButton } from '../components/CopyButton.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Holds the log against its own chain, and says what came of it. */
export function CheckChain() {
  const check = useMutation({
    mutationFn: async () => (await api.call('audit.check', { body: {} })).data,
  });
  return (
    <Box sx={{ mb: 3 }}>
      <Button variant="outlined" size="small" loading={check.isPending} onClick={() => check.mutate()}>
        See whether it is as it was written
      </Button>
      {check.data && <Outcome checked={check.data} />}
      <ProblemNote error={check.error} />
    </Box>
  );
}

const Outcome = ({ checked: { broken, entries, head } }: { checked: AuditChecked }) => (
  <Alert severity={broken ? 'error' : 'success'} variant="outlined" sx={{ mt: 1.5 }}>
    <Typography>{broken?.said ?? spoken.audit.holds(entries)}</Typography>
    {!broken && head && (
      <Box sx={{ mt: 1, display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        <Typography variant="body2">
          Note its end somewhere else, and a later check on the command line shows whether it was cut off.
        </Typography>
        <CopyButton text={`${head.number}:${head.hash}`} label="Copy its end" />
      </Box>
    )}
  </Alert>
);
