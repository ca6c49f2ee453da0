import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { useNavigate } from 'react-router';
import type { BodyInput, Embed, Routes } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { tagsIn } from '../components/tags.ts';

/**
 * Name, tags and notes of an embed, and retiring it: none of it changes the code, so
 * none of it makes a revision.
 */
export function Details({ embed, etag }: { embed: Embed; etag: string }) {
  const { name, notes } = embed;
  const { register, handleSubmit, formState } = useForm({
    values: { name, notes, tags: embed.tags.join(', ') },
    // What others save meanwhile does not take away what is typed here.
    resetOptions: { keepDirtyValues: true },
  });
  const announce = useAnnounce();
  const navigate = useNavigate();
  const change = useMutation({
    mutationFn: async (body: BodyInput<Routes['embeds.change']>) =>
      (await api.call('embeds.change', { params: { embed: embed.key }, ifMatch: etag, body })).data,
    onSuccess: async (now, body) => {
      await refresh('embeds');
      await announce.done(
        body.retired === undefined
          ? 'Saved.'
          : now.retired
            ? `“${now.name}” is retired: it is kept, and can be restored here.`
            : `“${now.name}” is back.`,
      );
    },
  });
  const duplicate = useMutation({
    mutationFn: async () =>
      (
        await api.call('embeds.duplicate', {
          params: { embed: embed.key },
          body: { name: `${embed.name.slice(0, 110)} (copy)` },
        })
      ).data,
    onSuccess: async (copy) => {
      await refresh('embeds');
      announce(`This is the copy, “${copy.name}”. It is placed nowhere yet.`);
      await navigate(`/collection/${copy.key}`);
    },
  });
  return (
    <Stack
      component="form"
      spacing={2}
      onSubmit={handleSubmit(({ tags, ...values }) => change.mutate({ ...values, tags: tagsIn(tags) }))}
    >
      <TextField label="Name" {...register('name')} required helperText={`Its key stays ${embed.key}.`} />
      <TextField label="Tags" {...register('tags')} helperText="With commas between them." />
      <TextField label="Notes" {...register('notes')} multiline minRows={2} />
      <ProblemNote error={change.error ?? duplicate.error} />
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
        <Button type="submit" variant="outlined" disabled={!formState.isDirty || change.isPending}>
          Save these
        </Button>
        <Button
          color="inherit"
          onClick={() => change.mutate({ retired: !embed.retired })}
          disabled={change.isPending}
        >
          {embed.retired ? 'Restore it' : 'Retire it'}
        </Button>
        <Button color="inherit" onClick={() => duplicate.mutate()} disabled={duplicate.isPending}>
          Make a copy
        </Button>
      </Box>
    </Stack>
  );
}
