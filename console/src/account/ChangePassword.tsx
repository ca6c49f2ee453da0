import { plural } from '@orbis/contract/language';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { Controller, useForm } from 'react-hook-form';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

const nothing = { current: '', password: '', endTokens: false };

/** A new password in place of the one that somebody knows. */
export function ChangePassword() {
  const { control, register, handleSubmit, reset } = useForm({ defaultValues: nothing });
  const announce = useAnnounce();
  const change = useMutation({
    mutationFn: async (values: typeof nothing) => (await api.call('password.change', { body: values })).data,
    onSuccess: async ({ sessions, tokens }) => {
      reset();
      await refresh('account');
      announce(
        `The password is changed. ${plural(sessions, 'other browser')} signed out, ${plural(tokens, 'token')} ended.`,
      );
    },
  });
  return (
    <Stack
      component="form"
      spacing={2}
      sx={{ maxWidth: 420 }}
      onSubmit={handleSubmit((values) => change.mutate(values))}
    >
      <TextField
        label="Current password"
        type="password"
        autoComplete="current-password"
        {...register('current')}
        required
      />
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        helperText="Twelve characters or more. All other browsers are signed out."
        {...register('password')}
        required
      />
      <FormControlLabel
        control={
          <Controller
            name="endTokens"
            control={control}
            render={({ field: { value, ref, ...field } }) => (
              <Checkbox {...field} checked={value} slotProps={{ input: { ref } }} />
            )}
          />
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
