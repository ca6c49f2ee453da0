import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { Reading } from '@orbis/contract';

interface Props {
  /** What was mended; null where nothing is. */
  done: readonly { reason: string }[] | null;
  findings: Reading['findings'];
  onAll: () => void;
  onNone: () => void;
}

/** What is mended in a paste, with the way back; or how much could be, where that is more than one thing. */
export function MendNote({ done, findings, onAll, onNone }: Props) {
  const mendable = findings.filter(({ mend, level }) => mend.length > 0 && level !== 'note');
  if (done === null && mendable.length < 2) return null;
  const [severity, label, act] = done
    ? (['success', 'Leave it as pasted', onNone] as const)
    : (['warning', 'Mend them all', onAll] as const);
  return (
    <Alert
      severity={severity}
      variant="outlined"
      action={
        <Button color="inherit" size="small" onClick={act}>
          {label}
        </Button>
      }
    >
      {done
        ? 'Mended; what you pasted is kept all the same.'
        : `${mendable.length} of these can be mended here.`}
      {done && (
        <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
          {[...new Set(done.map(({ reason }) => reason))].map((reason) => (
            <li key={reason}>{reason}</li>
          ))}
        </Box>
      )}
    </Alert>
  );
}
