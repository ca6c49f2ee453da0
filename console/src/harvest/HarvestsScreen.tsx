import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { BodyInput, Routes } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { formatWhen } from '../components/when.ts';

/** Whole pages that are there already: Orbis finds every embed on them. */
export default function HarvestsScreen() {
  const list = useList('harvests.list', {});
  const [address, setAddress] = useState('');
  const file = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const harvest = useMutation({
    mutationFn: async (body: BodyInput<Routes['harvests.create']>) =>
      (await api.call('harvests.create', { body })).data,
    onSuccess: async ({ id }) => {
      await refresh('harvests');
      await navigate(`/harvests/${id}`);
    },
  });
  const takeFile = async (chosen: File | undefined): Promise<void> => {
    if (chosen) harvest.mutate({ text: await chosen.text(), name: chosen.name.slice(0, 200) });
  };
  return (
    <>
      <ScreenHead
        title="Harvest"
        lead="Do your pages have embeds on them already? Name a page: Orbis reads it, finds every embed on it, and you choose which to collect."
      />
      <Stack spacing={3}>
        <Card>
          <Box
            component="form"
            sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}
            onSubmit={(event: React.SubmitEvent) => {
              event.preventDefault();
              harvest.mutate({ address: address.trim() });
            }}
          >
            <TextField
              label="Address of a page of yours"
              type="url"
              required
              value={address}
              onChange={(e) => setAddress(e.target.value)}
              placeholder="https://hollinfell.localhost/talks"
              helperText="Orbis asks this page’s server for it, and nobody else."
              sx={{ flex: '1 1 320px' }}
            />
            <Button type="submit" variant="contained" disabled={harvest.isPending} sx={{ minHeight: 42 }}>
              {harvest.isPending ? 'Reading…' : 'Harvest it'}
            </Button>
            <Button sx={{ minHeight: 42 }} disabled={harvest.isPending} onClick={() => file.current?.click()}>
              Take a saved page
            </Button>
            <input
              ref={file}
              type="file"
              accept=".html,.htm,text/html"
              hidden
              aria-label="A saved page"
              onChange={(e) => void takeFile(e.target.files?.[0])}
            />
          </Box>
          <ProblemNote error={harvest.error} />
        </Card>
        <ProblemNote error={list.error} />
        {list.data && list.items.length === 0 && (
          <Empty title="No page harvested yet">
            Name the address of a page above, or take a page that you saved.
          </Empty>
        )}
        {list.items.length > 0 && (
          <Card title="Harvested before">
            <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
              {list.items.map((item) => (
                <Box
                  component="li"
                  key={item.id}
                  sx={{ 'py': 1.25, '&:not(:last-child)': { borderBottom: 1, borderColor: 'divider' } }}
                >
                  <Typography
                    component={Link}
                    to={`/harvests/${item.id}`}
                    sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}
                  >
                    {item.title ?? item.address ?? 'A saved page'}
                  </Typography>
                  <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
                    {[
                      plural(item.found, 'embed'),
                      ...(item.taken > 0 ? [`${item.taken} taken`] : []),
                      ...(item.known > 0 ? [`${item.known} known before`] : []),
                    ].join(', ')}{' '}
                    · {formatWhen(item.createdAt)} · {item.address ?? 'a saved page'}
                  </Typography>
                </Box>
              ))}
            </Box>
            <More list={list} />
          </Card>
        )}
      </Stack>
    </>
  );
}
