import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import type { ChannelKind } from '@orbis/contract';
import { PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';

/** The secret of a channel, which is shown when it is made and never again. */
export function ShownOnce({
  kind,
  secret,
  onClose,
}: {
  kind: ChannelKind;
  secret: string;
  onClose: () => void;
}) {
  const isFeed = kind === 'feed';
  return (
    <Dialog open onClose={onClose} aria-labelledby="secret-title" maxWidth="sm" fullWidth>
      <DialogTitle id="secret-title">
        {isFeed ? 'The address of the feed' : 'The key of its signatures'}
      </DialogTitle>
      <DialogContent>
        <Typography sx={{ mb: 1.5 }}>
          {isFeed
            ? 'Give it to your feed reader, and to nobody else: whoever has it reads your news. It is shown this once.'
            : 'Whoever gets the events knows by it that they come from here. It is shown this once.'}
        </Typography>
        <PlainCode text={secret} label={isFeed ? 'Address' : 'Key'} />
      </DialogContent>
      <DialogActions>
        <CopyButton text={secret} label={isFeed ? 'Copy the address' : 'Copy the key'} />
        <Button onClick={onClose}>Done</Button>
      </DialogActions>
    </Dialog>
  );
}
