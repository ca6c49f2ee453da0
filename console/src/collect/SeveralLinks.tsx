import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useMutation, useQueries } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { ApiError } from '@orbis/contract/client';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Several links in one paste: whom Orbis would ask about each, and all of them collected at once. */
export function SeveralLinks({ links, tags }: { links: readonly string[]; tags: string[] }) {
  const [ask, setAsk] = useState(true);
  const announce = useAnnounce();
  const asks = useQueries({
    queries: links.map((link) => ({
      queryKey: ['links', link],
      queryFn: async () => (await api.call('links.find', { body: { link } })).data.asks,
      retry: false,
    })),
  });
  const collect = useMutation({
    mutationFn: async (skipRefused: boolean) =>
      (await api.call('links.collect', { body: { links: [...links], tags, ask, skipRefused } })).data,
    onSuccess: async ({ taken }) => {
      await refresh('embeds');
      void announce.done(`${plural(taken.length, 'link is', 'links are')} in the collection.`);
    },
  });
  const refused =
    collect.error instanceof ApiError && collect.error.code === 'import-refused'
      ? (collect.error.problem.errors ?? [])
      : [];
  const { data: done } = collect;
  return (
    <Stack spacing={2}>
      <Typography>
        These are {links.length} links. Each becomes an embed of its own
        {ask ? ', called as its provider calls it' : ', called after its address'}; all of them, or none.
      </Typography>
      <Box sx={{ borderLeft: 3, borderColor: 'divider', pl: 2 }}>
        <FormControlLabel
          control={<Switch checked={ask} onChange={(_, on) => setAsk(on)} />}
          label="Ask what these links are"
        />
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {links.map((link, i) => (
            <Typography
              component="li"
              key={link + String(i)}
              variant="body2"
              color="textSecondary"
              sx={{ overflowWrap: 'anywhere' }}
            >
              {link}
              {asks[i]?.data &&
                asks[i].data.length > 0 &&
                `: ${ask ? 'Orbis will ask' : 'it would ask'} ${asks[i].data.map(({ host }) => host).join(', ')}`}
            </Typography>
          ))}
        </Box>
      </Box>
      {refused.length > 0 ? (
        <Alert severity="error" variant="outlined" sx={{ overflowWrap: 'anywhere' }}>
          Nothing was collected: {refused.length === 1 ? 'one of them' : `${refused.length} of them`} cannot
          be.
          <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
            {refused.map(({ pointer, detail }) => (
              <li key={pointer}>
                {links[Number(pointer?.split('/').at(-1))]}: {detail}
              </li>
            ))}
          </Box>
          {refused.length < links.length && (
            <Button
              color="inherit"
              size="small"
              disabled={collect.isPending}
              onClick={() => collect.mutate(true)}
              sx={{ mt: 1, ml: -0.75 }}
            >
              Collect the others
            </Button>
          )}
        </Alert>
      ) : (
        <ProblemNote error={collect.error} />
      )}
      {done && done.taken.length > 0 && (
        <Alert severity="success" variant="outlined">
          In the collection now:
          <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
            {done.taken.map(({ embed, name }) => (
              <li key={embed}>
                <Link to={`/collection/${embed}`}>{name}</Link>
              </li>
            ))}
          </Box>
        </Alert>
      )}
      <Button
        variant="contained"
        size="large"
        disabled={collect.isPending || done !== undefined}
        onClick={() => collect.mutate(false)}
        sx={{ alignSelf: 'flex-start' }}
      >
        {collect.isPending ? `Finding out about ${links.length} links…` : `Collect all ${links.length}`}
      </Button>
    </Stack>
  );
}
