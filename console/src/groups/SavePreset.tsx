import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useForm, useWatch } from 'react-hook-form';
import type { Options } from '@orbis/core';
import { ApiError } from '@orbis/contract/client';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Disclosure } from '../components/Disclosure.tsx';

/** Keeps these options as a preset of the owner's own, under a name. */
export function SavePreset({ options }: { options: Options }) {
  return (
    <Disclosure label="Keep these as a preset">
      <Form options={options} />
    </Disclosure>
  );
}

function Form({ options }: { options: Options }) {
  const { control, register, handleSubmit, reset } = useForm({ defaultValues: { name: '', meaning: '' } });
  const announce = useAnnounce();
  const preset = keyOf(useWatch({ control, name: 'name' }));
  const save = useMutation({
    mutationFn: async (meaning: string) => {
      const etag = await api.call('presets.read', { params: { preset } }).then(
        (answer) => answer.etag,
        (error: unknown) => {
          if (error instanceof ApiError && error.code === 'not-found') return null;
          throw error;
        },
      );
      return (
        await api.call('presets.save', {
          params: { preset },
          ...(etag === null ? { ifNoneMatch: '*' } : { ifMatch: etag }),
          body: { options, ...(meaning && { meaning }) },
        })
      ).data;
    },
    onSuccess: async ({ key }) => {
      await refresh('presets');
      reset();
      announce(
        `The preset “${key.replaceAll('-', ' ')}” is kept. It can be put on any embed, and on many at once.`,
      );
    },
  });
  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField size="small" label="Name of the preset" {...register('name')} placeholder="silent loop" />
        <TextField
          size="small"
          label="What it is for"
          {...register('meaning')}
          sx={{ flex: 1, minWidth: 200 }}
        />
        <Button
          variant="outlined"
          disabled={preset === '' || save.isPending}
          onClick={handleSubmit(({ meaning }) => save.mutate(meaning.trim()))}
          sx={{ height: 40 }}
        >
          Keep it
        </Button>
      </Box>
      <ProblemNote error={save.error} />
    </Box>
  );
}

/* The key that a name makes. */
const keyOf = (name: string): string =>
  name
    .trim()
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
