import { plural } from '@orbis/contract/language';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

const empty = { current: '', password: '', endTokens: false };

/** A new password in place of the one that somebody knows. */
export function ChangePassword() {
  const [values, setValues] = useState(empty);
  const announce = useAnnounce();
  const change = useMutation({
    mutationFn: async () => (await api.call('password.change', { body: values })).data,
    onSuccess: async ({ sessions, tokens }) => {
      setValues(empty);
      await refresh();
      announce(
        `The password is changed. ${plural(sessions, 'other browser')} signed out, ${plural(tokens, 'token')} ended.`,
      );
    },
  });
  const set = (part: Partial<typeof empty>): void => setValues((now) => ({ ...now, ...part }));
  return (
    <Stack
      component="form"
      spacing={2}
      sx={{ maxWidth: 420 }}
      onSubmit={(event) => (event.preventDefault(), change.mutate())}
    >
      <TextField
        label="Current password"
        type="password"
        autoComplete="current-password"
        value={values.current}
        onChange={(e) => set({ current: e.target.value })}
        required
      />
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        helperText="Twelve characters or more. All other browsers are signed out."
        value={values.password}
        onChange={(e) => set({ password: e.target.value })}
        required
      />
      <FormControlLabel
        control={
          <Checkbox checked={values.endTokens} onChange={(e) => set({ endTokens: e.target.checked })} />
        }
        label="End the tokens of programs as well"
      />
      <ProblemNote error={change.error} />
      <Button type="submit" variant="outlined" disabled={change.isPending} sx={{ alignSelf: 'flex-start' }}>
        Change the password
      </Button>
    </Stack>
  );
}
