import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Page } from '@orbis/contract';
import { mostStanding } from '@orbis/contract/counting';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { RemoveButton } from '../RemoveButton.tsx';
import { BlockFields } from './BlockFields.tsx';

/**
 * Calls a page something else, moves it to another address, or removes it; of a block, says which pages show
 * it.
 */
export function ChangePage({ page }: { page: Page }) {
  const announce = useAnnounce();
  const [title, setTitle] = useState(page.title);
  const [path, setPath] = useState(page.path);
  const [block, setBlock] = useState(page.block);
  const params = { page: page.key };
  const standing = useQuery({
    queryKey: ['pages', 'standing', page.key],
    queryFn: async () => (await api.call('pages.standing', { params })).data,
  });
  const isMoved = path.trim() !== page.path;
  const isElsewhere = block?.under !== page.block?.under || block?.stands !== page.block?.stands;
  const what = page.block ? 'block' : 'page';
  const save = useMutation({
    mutationFn: async () => {
      const { etag } = await api.call('pages.read', { params });
      const body = {
        ...(title.trim() !== page.title && { title: title.trim() }),
        ...(isMoved && { path: path.trim().replace(/^\/+/, '') }),
        ...(block && isElsewhere && { block }),
      };
      return (await api.call('pages.change', { params, body, ifMatch: etag ?? '*' })).data;
    },
    onSuccess: async ({ key }) => {
      await refresh('sites');
      await announce.done(isMoved ? `The page is ${key} from now on.` : `Saved for ${key}.`);
    },
  });
  return (
    <Box
      component="form"
      aria-label={`Change ${page.title}`}
      onSubmit={(event) => (event.preventDefault(), save.mutate())}
    >
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
        <TextField
          label="Title"
          value={title}
          onChange={({ target }) => setTitle(target.value)}
          sx={{ flex: '1 1 200px' }}
        />
        {block ? (
          <BlockFields block={block} change={setBlock} />
        ) : (
          <TextField
            label="Its path"
            value={path}
            onChange={({ target }) => setPath(target.value)}
            sx={{ flex: '1 1 200px' }}
          />
        )}
        <Button
          type="submit"
          variant="outlined"
          loading={save.isPending}
          disabled={title.trim() === '' || (title.trim() === page.title && !isMoved && !isElsewhere)}
          sx={{ height: 40 }}
        >
          Save the {what}
        </Button>
      </Box>
      {isMoved && standing.data && (
        <Typography role="status" variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          {spoken.standing.moved(standing.data, mostStanding)}
        </Typography>
      )}
      <ProblemNote error={save.error ?? standing.error} />
      {standing.data && (
        <RemoveButton
          label={`Remove this ${what}`}
          name={page.title}
          standing={standing.data}
          remove={async (query) => {
            const { etag } = await api.call('pages.read', { params });
            await api.call('pages.delete', { params, query, ifMatch: etag ?? '*' });
          }}
        />
      )}
    </Box>
  );
}
