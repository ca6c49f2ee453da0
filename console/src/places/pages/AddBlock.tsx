import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { BlockPlacing } from '@orbis/contract';
import { api, refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { BlockFields } from './BlockFields.tsx';

const usual: BlockPlacing = { under: '', stands: 'after' };

/** Adds a block to a site: pasted once, and shown by many of its pages. */
export function AddBlock({ site }: { site: string }) {
  const announce = useAnnounce();
  const [title, setTitle] = useState('');
  const [name, setName] = useState('');
  const [block, setBlock] = useState(usual);
  const add = useMutation({
    mutationFn: async () => {
      const body = { key: `${site}/{${name.trim()}}`, title: title.trim(), block };
      return (await api.call('pages.create', { body })).data;
    },
    onSuccess: async (data) => {
      setTitle('');
      setName('');
      setBlock(usual);
      await refresh('sites');
      await announce.done(`The block “${data.title}” is there. Name the spots in it.`);
    },
  });
  return (
    <Box
      component="form"
      aria-label={`Add a block of ${site}`}
      onSubmit={(event) => (event.preventDefault(), add.mutate())}
      sx={{ flex: '1 1 100%' }}
    >
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        A side column, a footer, or a block that your editor keeps in a library of its own: what you place in
        it is pasted once, and counts on every page that shows it.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          label="What it is called"
          placeholder="Footer"
          value={title}
          onChange={({ target }) => setTitle(target.value)}
          sx={{ flex: '1 1 180px' }}
        />
        <TextField
          label="A short name for it"
          placeholder="footer"
          value={name}
          onChange={({ target }) => setName(target.value)}
          helperText="Small letters and digits, with hyphens."
          sx={{ flex: '1 1 180px' }}
        />
        <BlockFields block={block} change={setBlock} />
        <Button
          type="submit"
          variant="outlined"
          loading={add.isPending}
          disabled={title.trim() === '' || name.trim() === ''}
          sx={{ height: 40 }}
        >
          Add the block
        </Button>
      </Box>
      <ProblemNote error={add.error} />
    </Box>
  );
}
