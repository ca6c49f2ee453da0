import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { api } from '../api.ts';
import { ProblemNote } from '../parts/ProblemNote.tsx';
import { SigningIn, takeSecret } from './SigningIn.tsx';

export default function SetPassword() {
  const [secret] = useState(takeSecret);
  const [password, setPassword] = useState('');
  const [error, setError] = useState<unknown>(null);
  const set = async (event: React.FormEvent): Promise<void> => {
    event.preventDefault();
    try {
      await api.call('password.set', { body: { secret: secret ?? '-', password } });
      location.replace('/');
    } catch (problem) {
      setError(problem);
    }
  };
  return (
    <SigningIn title="Choose your password">
      <Stack component="form" spacing={2} onSubmit={(event) => void set(event)}>
        <Typography color="textSecondary">It is the only key to this Orbis. Ten characters or more; a short sentence is easy to remember.</Typography>
        <TextField label="New password" type="password" autoComplete="new-password" value={password} onChange={(e) => setPassword(e.target.value)} autoFocus required />
        <ProblemNote error={error} />
        <Button type="submit" variant="contained" size="large">
          Set the password
        </Button>
      </Stack>
    </SigningIn>
  );
}
