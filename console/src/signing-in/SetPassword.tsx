import { plural, spoken } from '@orbis/contract/language';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Invitation } from '@orbis/contract';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { SigningIn, takeSecret } from './SigningIn.tsx';
import { Waiting } from '../components/Waiting.tsx';

export default function SetPassword() {
  const [secret] = useState(takeSecret);
  const [password, setPassword] = useState('');
  const [error, setError] = useState<unknown>(null);
  const [ended, setEnded] = useState<{ sessions: number; tokens: number; onward: string } | null>(null);
  const set = async (event: React.SubmitEvent): Promise<void> => {
    event.preventDefault();
    try {
      const { data } = await api.call('password.set', { body: { secret: secret ?? '-', password } });
      const onward = data.signedIn ? '/' : '/sign-in';
      if (data.ended.sessions + data.ended.tokens === 0) location.replace(onward);
      else setEnded({ ...data.ended, onward });
    } catch (problem) {
      setError(problem);
    }
  };
  const invitation = useQuery({
    queryKey: ['invitation'],
    queryFn: async () => (await api.call('invitations.read', { body: { secret: secret ?? '-' } })).data,
    enabled: secret !== null,
    retry: false,
    staleTime: Infinity,
  });
  if (invitation.isLoading) return <SigningIn title="Choose your password">{<Waiting />}</SigningIn>;
  if (ended) {
    return (
      <SigningIn title="The password is set">
        <Stack spacing={2}>
          <Typography>
            What was begun with the old one has ended: {plural(ended.sessions, 'browser')} signed out,{' '}
            {plural(ended.tokens, 'token')} of programs no longer valid. Give those programs new ones.
          </Typography>
          <Button variant="contained" size="large" href={ended.onward}>
            Go on
          </Button>
        </Stack>
      </SigningIn>
    );
  }
  return (
    <SigningIn title="Choose your password">
      <Stack component="form" spacing={2} onSubmit={(event) => void set(event)}>
        {invitation.data && <Greeting invitation={invitation.data} />}
        <Typography color="textSecondary">
          Twelve characters or more, and not one that many people use; a short sentence is easy to remember.
        </Typography>
        {/* By which password managers keep it. */}
        <input type="text" hidden readOnly autoComplete="username" value={invitation.data?.name ?? ''} />
        <TextField
          label="New password"
          type="password"
          autoComplete="new-password"
          value={password}
          onChange={(e) => setPassword(e.target.value)}
          autoFocus
          required
        />
        <ProblemNote error={error ?? invitation.error} />
        <Button type="submit" variant="contained" size="large">
          Set the password
        </Button>
      </Stack>
    </SigningIn>
  );
}

/* Whom the link is for, and what they are invited to do. */
const Greeting = ({ invitation: { name, by, isNew, ...rights } }: { invitation: Invitation }) => (
  <Typography>
    {isNew && by !== null
      ? `${by} invites you to Orbis, ${name}, as ${spoken.people.grants(rights)}. From now on you sign in as “${name}”.`
      : `This is for ${name}.`}
  </Typography>
);
