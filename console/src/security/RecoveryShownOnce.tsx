import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { spoken } from '@orbis/contract/language';
import { PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';

/** Recovery codes, this once. It is closed by its button alone, so that no stray click loses them. */
export const RecoveryShownOnce = ({ codes, onClose }: { codes: readonly string[]; onClose: () => void }) => (
  <Dialog open aria-labelledby="recovery-title" maxWidth="sm" fullWidth>
    <DialogTitle id="recovery-title">Your recovery codes</DialogTitle>
    <DialogContent>
      <Typography sx={{ mb: 1.5 }}>{spoken.security.recoveryKeep}</Typography>
      <PlainCode text={codes.join('\n')} label="Recovery codes" />
    </DialogContent>
    <DialogActions>
      <CopyButton text={codes.join('\n')} label="Copy the codes" />
      <Button onClick={onClose}>I have kept them</Button>
    </DialogActions>
  </Dialog>
);
