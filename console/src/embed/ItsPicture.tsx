import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import { useMutation } from '@tanstack/react-query';
import type { Embed } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { EmbedPicture } from '../collection/EmbedPicture.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** The picture by which the collection shows an embed, which can be taken anew. */
export function ItsPicture({ embed }: { embed: Embed }) {
  const take = useMutation({
    mutationFn: () => api.call('embeds.photograph', { params: { embed: embed.key }, body: { of: 'embed' } }),
    onSuccess: () => refresh('embeds'),
  });
  return (
    <Stack spacing={1}>
      <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
        <EmbedPicture embed={embed} width={144} />
        <Button variant="outlined" size="small" loading={take.isPending} onClick={() => take.mutate()}>
          {embed.picture ? 'Take its picture anew' : 'Take its picture'}
        </Button>
      </Box>
      <ProblemNote error={take.error} />
    </Stack>
  );
}
