import { plural } from '@orbis/contract/language';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

/** Changes of many embeds, each to be taken back as one. */
export function PastChanges() {
  const list = useList('changes.list', {});
  const announce = useAnnounce();
  const undo = useMutation({
    mutationFn: async (change: string) =>
      (await api.call('changes.undo', { params: { change }, body: {} })).data,
    onSuccess: async ({ embeds }) => {
      await refresh('embeds');
      announce(`Taken back: ${plural(embeds, 'embed')} as before.`);
    },
  });
  if (list.data && list.items.length === 0)
    return (
      <Typography color="textSecondary">
        Nothing yet. Whatever is done here can be taken back as one.
      </Typography>
    );
  return (
    <>
      <ProblemNote error={list.error ?? undo.error} />
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {list.items.map(({ id, said, where, embeds, createdAt, undoneAt }) => (
          <Box
            component="li"
            key={id}
            sx={{
              display: 'flex',
              gap: 2,
              flexWrap: 'wrap',
              alignItems: 'baseline',
              py: 1.25,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 200 }}>{said}</Typography>
            <Typography variant="body2" color="textSecondary">
              {plural(embeds, 'embed')} of “{where || 'everything'}”, {formatWhen(createdAt)}
              {undoneAt ? ', taken back' : ''}
            </Typography>
            {!undoneAt && (
              <Button size="small" disabled={undo.isPending} onClick={() => undo.mutate(id)}>
                Take it back
              </Button>
            )}
          </Box>
        ))}
      </Box>
      <More list={list} />
    </>
  );
}
