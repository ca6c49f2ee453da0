import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { ApiError } from '@orbis/contract/client';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { PasskeyButton } from './PasskeyButton.tsx';
import { SigningIn, takeSecret, wayBack } from './SigningIn.tsx';
import { useSession } from '../session.ts';

const nothing = { person: '', password: '', code: '' };

export default function SignIn() {
  const [given, setGiven] = useState(nothing);
  const session = useSession();
  const needsName = session.data?.needsName ?? false;
  const [error, setError] = useState<unknown>(null);
  const [asksCode, setAsksCode] = useState(false);
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
    const { person, password, code } = given;
    try {
      await api.call('session.create', {
        body: { password, ...(needsName && { person: person.trim() }), ...(asksCode && { code }) },
      });
      location.replace(wayBack());
    } catch (problem) {
      const isAsked = problem instanceof ApiError && problem.code === 'second-factor-needed';
      setAsksCode(asksCode || isAsked);
      setError(isAsked && !asksCode ? null : problem);
      setGiven((before) => ({ ...before, code: '' }));
      setBusy(false);
    }
  };
  const field = (name: keyof typeof nothing) => ({
    value: given[name],
    onChange: (event: React.ChangeEvent<HTMLInputElement>) =>
      setGiven((before) => ({ ...before, [name]: event.target.value })),
    required: true,
  });

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
              autoFocus={!asksCode}
              disabled={asksCode}
              {...field('person')}
            />
          )}
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            autoFocus={!needsName && !asksCode}
            disabled={asksCode}
            {...field('password')}
          />
          {asksCode && <CodeField {...field('code')} />}
          <ProblemNote error={error} />
          <Button type="submit" variant="contained" size="large">
            Sign in
          </Button>
          {session.data?.passkeys && <PasskeyButton />}
          <Typography variant="body2" color="textSecondary">
            {asksCode
              ? 'Phone and recovery codes lost? An owner can take this away under “People”, and so can '
              : 'Password lost? An owner can make a link for a new one, under “People”; and so can '}
            <code>npm run reset-password</code> on the server’s own machine.
          </Typography>
        </Stack>
      )}
    </SigningIn>
  );
}

/* It is asked for once the password was right. */
const CodeField = (props: Pick<React.ComponentProps<typeof TextField>, 'value' | 'onChange'>) => (
  <TextField
    label="Code of your app, or a recovery code"
    autoComplete="one-time-code"
    autoFocus
    required
    helperText="Your password is right. Now give what only you have."
    slotProps={{ htmlInput: { maxLength: 40 } }}
    {...props}
  />
);
