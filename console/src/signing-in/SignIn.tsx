import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { SigningIn, takeSecret, wayBack } from './SigningIn.tsx';
import { useSession } from '../session.ts';

export default function SignIn() {
  const [person, setPerson] = useState('');
  const [password, setPassword] = useState('');
  const session = useSession();
  const needsName = session.data?.needsName ?? false;
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
      await api.call('session.create', {
        body: { password, ...(needsName && { person: person.trim() }) },
      });
      location.replace(wayBack());
    } catch (problem) {
      setError(problem);
      setBusy(false);
    }
  };

  return (
    <SigningIn title="Sign in">
      {(busy && !error) || session.isPending ? (
        <Waiting />
      ) : (
        <Stack component="form" spacing={2} onSubmit={(event) => void signIn(event)}>
          {needsName && (
            <TextField
              label="Your name"
              autoComplete="username"
              autoFocus
              value={person}
              onChange={(e) => setPerson(e.target.value)}
              required
            />
          )}
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(e) => setPassword(e.target.value)}
            autoFocus={!needsName}
            required
          />
          <ProblemNote error={error} />
          <Button type="submit" variant="contained" size="large">
            Sign in
          </Button>
          <Typography variant="body2" color="textSecondary">
            Password lost? An owner can make a link for a new one, under “People”; and so can{' '}
            <code>npm run reset-password</code> on the server’s own machine.
          </Typography>
        </Stack>
      )}
    </SigningIn>
  );
}
