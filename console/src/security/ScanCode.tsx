import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { QRCodeSVG } from 'qrcode.react';
import { useState } from 'react';
import type { FactorAdded } from '@orbis/contract';
import { api } from '../api.ts';
import { PlainCode } from '../components/CodeRuns.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

interface Props {
  begun: { secret: string; address: string };
  onDone: (added: FactorAdded) => void;
  onClose: () => void;
}

/** What an app scans, and the first code that it shows. */
export function ScanCode({ begun, onDone, onClose }: Props) {
  const [code, setCode] = useState('');
  const confirm = useMutation({
    mutationFn: async () => (await api.call('codes.confirm', { body: { code } })).data,
    onSuccess: onDone,
  });
  return (
    <Dialog open onClose={onClose} aria-labelledby="scan-title" maxWidth="sm" fullWidth>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          confirm.mutate();
        }}
      >
        <DialogTitle id="scan-title">Scan this with your app</DialogTitle>
        <DialogContent>
          <Stack direction={{ xs: 'column', sm: 'row' }} spacing={3} sx={{ alignItems: { sm: 'center' } }}>
            {/* Dark on light in either look: cameras want it so. */}
            <Box sx={{ bgcolor: '#fff', p: 1, borderRadius: 1, lineHeight: 0, alignSelf: 'center' }}>
              <QRCodeSVG value={begun.address} size={188} marginSize={2} title="What your app scans" />
            </Box>
            <Box sx={{ minWidth: 0 }}>
              <Typography sx={{ mb: 1 }}>If it cannot scan, type this into it:</Typography>
              <PlainCode text={begun.secret.replace(/.{4}(?=.)/g, '$& ')} label="The secret, to be typed" />
            </Box>
          </Stack>
          <Typography sx={{ mt: 3, mb: 1.5 }}>
            Then give the code that it shows, and codes are asked for from now on.
          </Typography>
          <TextField
            label="Code of six digits"
            value={code}
            onChange={(event) => setCode(event.target.value)}
            autoComplete="one-time-code"
            slotProps={{ htmlInput: { inputMode: 'numeric', maxLength: 9 } }}
            autoFocus
            required
          />
          <ProblemNote error={confirm.error} />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Leave it</Button>
          <Button type="submit" loading={confirm.isPending}>
            Ask for codes
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
