import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { spoken } from '@orbis/contract/language';
import { PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { formatWhen } from '../components/when.ts';

/** A link by which somebody sets their password. */
export interface LinkMade {
  name: string;
  link: string;
  expiresAt: string;
  mailed: 'sent' | 'failed' | 'no-mail-server' | 'no-address';
}

/** Shows such a link, this once. */
export const LinkShownOnce = ({ made, onClose }: { made: LinkMade; onClose: () => void }) => (
  <Dialog open onClose={onClose} aria-labelledby="link-made" maxWidth="sm" fullWidth>
    <DialogTitle id="link-made">A link for {made.name}</DialogTitle>
    <DialogContent>
      <Typography sx={{ mb: 1.5 }}>
        With it they choose their password. {spoken.people.mailed[made.mailed]} It works once, until{' '}
        {formatWhen(made.expiresAt)}, and is shown this once only.
      </Typography>
      <PlainCode text={made.link} label="The link" />
    </DialogContent>
    <DialogActions>
      <CopyButton text={made.link} label="Copy the link" />
      <Button onClick={onClose}>Done</Button>
    </DialogActions>
  </Dialog>
);
