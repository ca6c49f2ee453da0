import { plural } from '@orbis/contract/language';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/**
 * Who answers questions about links, out of lists: taken in from a file, searched by name
 * or by a link, forgotten.
 */
export function Endpoints() {
  const [words, setWords] = useState('');
  const list = useList('endpoints.list', { limit: 20, ...(words.trim() && { q: words.trim() }) });
  const announce = useAnnounce();
  const take = useMutation({
    mutationFn: async (text: string) => (await api.call('endpoints.import', { body: { text } })).data,
    onSuccess: async ({ added, changed }) => {
      await refresh('endpoints');
      announce(
        added + changed === 0
          ? 'All of it was known already.'
          : `${plural(added, 'provider is', 'providers are')} known now${changed > 0 ? `, ${changed} changed` : ''}.`,
      );
    },
  });
  const forget = useMutation({
    mutationFn: (endpoint: string) => api.call('endpoints.remove', { params: { endpoint } }),
    onSuccess: async () => {
      await refresh('endpoints');
      announce('Forgotten. Taking the list in again makes it known again.');
    },
  });
  const some = list.items.length > 0 || words !== '';
  return (
    <Stack spacing={2}>
      <Typography color="textSecondary" sx={{ maxWidth: 640 }}>
        Many providers without a sheet answer questions about their links (oEmbed): what an item is called,
        how large it is, and its code. A published list of them, as a file, makes them known; a link that you
        collect is then asked about there.
      </Typography>
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button component="label" variant="outlined" disabled={take.isPending}>
          {take.isPending ? 'Taking it in…' : 'Take in a list'}
          <input
            type="file"
            accept=".json"
            hidden
            aria-label="A list of providers, as a file"
            onChange={(event) => {
              void event.target.files?.[0]?.text().then((text) => take.mutate(text));
              event.target.value = '';
            }}
          />
        </Button>
        {some && (
          <TextField
            size="small"
            label="Name, or a link: who answers"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            sx={{ flexGrow: 1, maxWidth: 420 }}
            slotProps={{ htmlInput: { maxLength: 100 } }}
          />
        )}
      </Box>
      <ProblemNote error={take.error ?? forget.error ?? list.error} />
      {take.data && take.data.unusable.length > 0 && (
        <Alert severity="warning" variant="outlined">
          This of the list cannot be used; the rest of it is known now:
          <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
            {take.data.unusable.slice(0, 20).map(({ entry, provider, what, why }, i) => (
              <li key={i}>
                {provider || `Entry ${entry}`}, {what}: {why}.
              </li>
            ))}
            {take.data.unusable.length > 20 && <li>And {take.data.unusable.length - 20} more.</li>}
          </Box>
        </Alert>
      )}
      {some && list.items.length === 0 && !list.isPending && (
        <Typography>No known provider has that name, or answers about that link.</Typography>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {list.items.map(({ id, provider, schemes, url }) => (
          <Box
            component="li"
            key={id}
            sx={{
              'display': 'grid',
              'gridTemplateColumns': { xs: '1fr auto', md: '220px minmax(0,1fr) auto' },
              'columnGap': 2,
              'alignItems': 'center',
              'py': 0.75,
              'borderTop': 1,
              'borderColor': 'divider',
              '&:first-of-type': { borderTop: 0 },
            }}
          >
            <Typography sx={{ fontWeight: 600 }}>{provider}</Typography>
            <Typography
              variant="body2"
              color="textSecondary"
              sx={{
                overflowWrap: 'anywhere',
                gridRow: { xs: 2, md: 1 },
                gridColumn: { xs: '1 / -1', md: 2 },
              }}
              title={`asked at ${url}`}
            >
              {schemes[0]}
              {schemes.length > 1 && ` and ${schemes.length - 1} more`}
            </Typography>
            <Button
              size="small"
              disabled={forget.isPending}
              onClick={() => forget.mutate(id)}
              aria-label={`Forget ${provider}`}
            >
              Forget
            </Button>
          </Box>
        ))}
      </Box>
      <More list={list} />
    </Stack>
  );
}
