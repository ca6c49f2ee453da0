import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { BodyInput, Embed, Routes } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Name, tags and notes of an embed, and retiring it: none of it changes the code, so none of it makes a revision. */
export function Details({ embed, etag }: { embed: Embed; etag: string }) {
  const [name, setName] = useState(embed.name);
  const [tags, setTags] = useState(embed.tags.join(', '));
  const [notes, setNotes] = useState(embed.notes);
  const announce = useAnnounce();
  const navigate = useNavigate();
  const change = useMutation({
    mutationFn: async (body: BodyInput<Routes['embeds.change']>) =>
      (await api.call('embeds.change', { params: { embed: embed.key }, ifMatch: etag, body })).data,
    onSuccess: async (now, body) => {
      await refresh();
      announce(
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
      await refresh();
      announce(`This is the copy, “${copy.name}”. It is placed nowhere yet.`);
      await navigate(`/collection/${copy.key}`);
    },
  });
  const changed = name !== embed.name || tags !== embed.tags.join(', ') || notes !== embed.notes;
  return (
    <Stack
      component="form"
      spacing={2}
      onSubmit={(event) => {
        event.preventDefault();
        change.mutate({
          name,
          notes,
          tags: tags
            .split(',')
            .map((tag) => tag.trim())
            .filter(Boolean),
        });
      }}
    >
      <TextField
        label="Name"
        value={name}
        onChange={(e) => setName(e.target.value)}
        required
        helperText={`Its key stays ${embed.key}.`}
      />
      <TextField
        label="Tags"
        value={tags}
        onChange={(e) => setTags(e.target.value)}
        helperText="With commas between them."
      />
      <TextField
        label="Notes"
        value={notes}
        onChange={(e) => setNotes(e.target.value)}
        multiline
        minRows={2}
      />
      <ProblemNote error={change.error ?? duplicate.error} />
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
        <Button type="submit" variant="outlined" disabled={!changed || change.isPending}>
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
