import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
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

const mailedWords: Readonly<Record<LinkMade['mailed'], string>> = {
  'sent': 'It went to them by mail; here it is as well.',
  'failed': 'It could not be sent by mail: hand it over yourself.',
  'no-mail-server': 'No mail server is set up: hand it over yourself.',
  'no-address': 'Hand it over yourself.',
};

/** Shows such a link, this once. */
export const LinkShownOnce = ({ made, onClose }: { made: LinkMade; onClose: () => void }) => (
  <Dialog open onClose={onClose} aria-labelledby="link-made" maxWidth="sm" fullWidth>
    <DialogTitle id="link-made">A link for {made.name}</DialogTitle>
    <DialogContent>
      <Typography sx={{ mb: 1.5 }}>
        With it they choose their password. {mailedWords[made.mailed]} It works once, until{' '}
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
