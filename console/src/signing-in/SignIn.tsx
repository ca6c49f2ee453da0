import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { SigningIn, takeSecret, wayBack } from './SigningIn.tsx';

export default function SignIn() {
  const [password, setPassword] = useState('');
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(() => location.hash.length > 1);
  const asked = useRef(false);

  useEffect(() => {
    if (asked.current) return;
    asked.current = true;
    const secret = takeSecret();
    if (!secret) return;
    api.call('session.link', { body: { secret } }).then(
      () => location.replace(wayBack()),
      (problem: unknown) => {
        setError(problem);
        setBusy(false);
      },
    );
  }, []);

  const signIn = async (event: React.SubmitEvent): Promise<void> => {
    event.preventDefault();
    setBusy(true);
    try {
      await api.call('session.create', { body: { password } });
      location.replace(wayBack());
    } catch (problem) {
      setError(problem);
      setBusy(false);
    }
  };

  return (
    <SigningIn title="Sign in">
      {busy && !error ? (
        <Waiting />
      ) : (
        <Stack component="form" spacing={2} onSubmit={(event) => void signIn(event)}>
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
            autoFocus
            required
          />
          <ProblemNote error={error} />
          <Button type="submit" variant="contained" size="large">
            Sign in
          </Button>
          <Typography variant="body2" color="textSecondary">
            Password lost? <code>npm run reset-password</code> on the server’s own machine makes a link for a
            new one.
          </Typography>
        </Stack>
      )}
    </SigningIn>
  );
}
