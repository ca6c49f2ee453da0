import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { PasswordDialog } from './PasswordDialog.tsx';

/** How many recovery codes are left, and new ones. */
export function Recovery({ left, onMade }: { left: number; onMade: (codes: readonly string[]) => void }) {
  const [asking, setAsking] = useState(false);
  const renew = async (password: string): Promise<void> => {
    const { data } = await api.call('recoveryCodes.create', { body: { password } });
    setAsking(false);
    onMade(data.codes);
    await refresh('account');
  };
  return (
    <Card
      title="Recovery codes"
      action={
        <Button variant="outlined" size="small" onClick={() => setAsking(true)}>
          Make new ones
        </Button>
      }
    >
      <Typography>{spoken.security.recovery(left)}</Typography>
      {asking && (
        <PasswordDialog
          title="New recovery codes"
          button="Make them"
          act={({ password }) => renew(password)}
          onClose={() => setAsking(false)}
        >
          Those that you have hold no longer then.
        </PasswordDialog>
      )}
    </Card>
  );
}
