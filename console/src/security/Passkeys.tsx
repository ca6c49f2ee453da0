import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { FactorAdded, Passkey, Security } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { formatWhen } from '../components/when.ts';
import { hasPasskeys, makePasskey } from './browser-passkeys.ts';
import { PasswordDialog } from './PasswordDialog.tsx';

/** The passkeys of whoever is signed in: made, and forgotten. */
export function Passkeys({
  security,
  onAdded,
}: {
  security: Security;
  onAdded: (added: FactorAdded) => void;
}) {
  const [adding, setAdding] = useState(false);
  const [leaving, setLeaving] = useState<Passkey | null>(null);
  const announce = useAnnounce();
  const add = async (password: string, name: string): Promise<void> => {
    const added = await makePasskey(name, password);
    setAdding(false);
    announce(`The passkey “${name}” is kept.`);
    onAdded(added);
  };
  const forget = async ({ id, name }: Passkey, password: string): Promise<void> => {
    await api.call('passkeys.remove', { params: { passkey: id }, body: { password } });
    setLeaving(null);
    await refresh('account');
    announce(`The passkey “${name}” is forgotten.`);
  };
  return (
    <Card
      title="Passkeys"
      action={
        security.passkeysPossible &&
        hasPasskeys() && (
          <Button variant="outlined" size="small" onClick={() => setAdding(true)}>
            Add a passkey
          </Button>
        )
      }
    >
      <Typography color="textSecondary">{spoken.security.passkeys}</Typography>
      {!security.passkeysPossible && (
        <Typography sx={{ mt: 1.5 }}>
          Browsers allow them only where the console has a name and https. Whoever runs this Orbis says so
          with ORBIS_PUBLIC_URL.
        </Typography>
      )}
      {security.passkeys.length > 0 && (
        <Box component="ul" aria-label="Your passkeys" sx={{ m: 0, mt: 2, p: 0, listStyle: 'none' }}>
          {security.passkeys.map((passkey) => (
            <PasskeyRow key={passkey.id} passkey={passkey} onForget={() => setLeaving(passkey)} />
          ))}
        </Box>
      )}
      {adding && (
        <PasswordDialog
          title="Add a passkey"
          button="Go on"
          field={{ label: 'What its device or key is called', initial: 'This device' }}
          act={({ password, field }) => add(password, field)}
          onClose={() => setAdding(false)}
        >
          Your browser then asks where to keep it, and to unlock that.
        </PasswordDialog>
      )}
      {leaving && (
        <PasswordDialog
          title={`Forget “${leaving.name}”?`}
          button="Forget it"
          ends
          act={({ password }) => forget(leaving, password)}
          onClose={() => setLeaving(null)}
        >
          It lets nobody in here any more. Take it out of the device as well, if you have it still.
        </PasswordDialog>
      )}
    </Card>
  );
}

const PasskeyRow = ({
  passkey: { name, synced, createdAt, lastUsedAt },
  onForget,
}: {
  passkey: Passkey;
  onForget: () => void;
}) => (
  <Box
    component="li"
    sx={{
      display: 'flex',
      flexWrap: 'wrap',
      columnGap: 2,
      alignItems: 'baseline',
      py: 1,
      borderTop: 1,
      borderColor: 'divider',
    }}
  >
    <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 160, overflowWrap: 'anywhere' }}>{name}</Typography>
    <Typography variant="body2" color="textSecondary">
      {synced ? 'on several devices · ' : ''}made {formatWhen(createdAt)} ·{' '}
      {lastUsedAt === null ? 'never used' : `last used ${formatWhen(lastUsedAt)}`}
    </Typography>
    <Button size="small" color="error" onClick={onForget} aria-label={`Forget ${name}`}>
      Forget
    </Button>
  </Box>
);
