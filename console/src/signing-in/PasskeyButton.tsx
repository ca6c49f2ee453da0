import KeyIcon from '@mui/icons-material/KeyOutlined';
import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { hasPasskeys, signInWithPasskey } from '../security/browser-passkeys.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { wayBack } from './SigningIn.tsx';

/** Signs in with a passkey, where the browser knows them. */
export function PasskeyButton() {
  const signIn = useMutation({
    mutationFn: signInWithPasskey,
    onSuccess: () => location.replace(wayBack()),
  });
  if (!hasPasskeys()) return null;
  return (
    <>
      <Button
        variant="outlined"
        size="large"
        startIcon={<KeyIcon />}
        loading={signIn.isPending}
        onClick={() => signIn.mutate()}
      >
        Sign in with a passkey
      </Button>
      <ProblemNote error={signIn.error} />
    </>
  );
}
