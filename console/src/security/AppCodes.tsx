import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { FactorAdded, Security } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { formatWhen } from '../components/when.ts';
import { PasswordDialog } from './PasswordDialog.tsx';
import { ScanCode } from './ScanCode.tsx';

/** Codes of an app: set up, and ended. */
export function AppCodes({
  security,
  onAdded,
}: {
  security: Security;
  onAdded: (added: FactorAdded) => void;
}) {
  const [asking, setAsking] = useState<'begin' | 'end' | null>(null);
  const [begun, setBegun] = useState<{ secret: string; address: string } | null>(null);
  const announce = useAnnounce();
  const isOn = security.codesSince !== null;
  const begin = async (password: string): Promise<void> => {
    const { data } = await api.call('codes.begin', { body: { password } });
    setAsking(null);
    setBegun(data);
  };
  const end = async (password: string): Promise<void> => {
    await api.call('codes.remove', { body: { password } });
    setAsking(null);
    await refresh('account');
    announce('No code is asked for any more.');
  };
  return (
    <Card
      title="Codes of an app"
      action={
        <Button
          variant="outlined"
          size="small"
          color={isOn ? 'error' : 'primary'}
          onClick={() => setAsking(isOn ? 'end' : 'begin')}
        >
          {isOn ? 'Turn codes off' : 'Set up an app'}
        </Button>
      }
    >
      <Typography color="textSecondary">{spoken.security.codes}</Typography>
      {isOn && (
        <Typography sx={{ mt: 1.5 }}>
          A code is asked for after your password since {formatWhen(security.codesSince)}.
        </Typography>
      )}
      {asking === 'begin' && (
        <PasswordDialog
          title="Set up an app for codes"
          button="Go on"
          act={({ password }) => begin(password)}
          onClose={() => setAsking(null)}
        >
          Have the phone with the app at hand.
        </PasswordDialog>
      )}
      {asking === 'end' && (
        <PasswordDialog
          title="Ask for no code any more?"
          button="Turn codes off"
          ends
          act={({ password }) => end(password)}
          onClose={() => setAsking(null)}
        >
          Whoever finds out your password gets in with it alone then
          {security.passkeys.length > 0 && ', whether you have a passkey or not'}. You can set up an app again
          at any time.
        </PasswordDialog>
      )}
      {begun && (
        <ScanCode
          begun={begun}
          onDone={(added) => {
            setBegun(null);
            onAdded(added);
          }}
          onClose={() => setBegun(null)}
        />
      )}
    </Card>
  );
}
