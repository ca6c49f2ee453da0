import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useParams } from 'react-router';
import type { Harvest } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { Findings } from '../components/Findings.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { tagsIn } from '../components/tags.ts';
import { FoundEmbed } from './FoundEmbed.tsx';

/** One page: what was found on it, to be chosen, named and collected. */
export default function HarvestScreen() {
  const { harvest: id = '' } = useParams();
  const found = useQuery({
    queryKey: ['harvests', id],
    queryFn: async () => (await api.call('harvests.read', { params: { harvest: id } })).data,
  });
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  return <Found key={id} harvest={found.data} />;
}

function Found({ harvest }: { harvest: Harvest }) {
  const offered = harvest.items.filter((item) => item.state === 'offered');
  const [left, setLeft] = useState<ReadonlySet<number>>(
    new Set(offered.filter(({ own }) => own).map(({ number }) => number)),
  );
  const [names, setNames] = useState<Record<number, string>>({});
  const [tags, setTags] = useState('');
  const announce = useAnnounce();
  const chosen = offered.filter(({ number }) => !left.has(number));
  const take = useMutation({
    mutationFn: async () =>
      (
        await api.call('harvests.take', {
          params: { harvest: harvest.id },
          body: {
            items: chosen.map(({ number, name }) => ({ number, name: names[number]?.trim() || name })),
            tags: tagsIn(tags),
          },
        })
      ).data,
    onSuccess: async ({ items }) => {
      await refresh('harvests', 'embeds');
      await announce.done(`${plural(items.length, 'embed')} collected.`);
    },
  });
  return (
    <>
      <ScreenHead
        title={harvest.title ?? harvest.address ?? 'A saved page'}
        lead={`${plural(harvest.items.length, 'embed')} found${harvest.address ? ` at ${harvest.address}` : ''}. ${offered.length > 0 ? 'Leave out what you do not want, and name the rest as you like.' : ''}`}
      />
      <Stack spacing={3}>
        <Findings findings={harvest.findings} />
        {harvest.items.length === 0 && (
          <Empty title="No embed on this page">
            Everything on it seems to be the page’s own. If something was put there by a script of the page
            itself, its code cannot be seen from outside.
          </Empty>
        )}
        {harvest.items.length > 0 && (
          <Card>
            {[false, true].map((own) => {
              const items = harvest.items.filter((item) => item.own === own);
              return items.length === 0 ? null : (
                <Box key={String(own)} component="section">
                  {own && <OwnFilesHead />}
                  <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
                    {items.map((item) => (
                      <FoundEmbed
                        key={item.number}
                        item={item}
                        chosen={!left.has(item.number)}
                        name={names[item.number] ?? item.name}
                        onChoose={(yes) =>
                          setLeft(
                            new Set(
                              yes ? [...left].filter((n) => n !== item.number) : [...left, item.number],
                            ),
                          )
                        }
                        onName={(name) => setNames((now) => ({ ...now, [item.number]: name }))}
                      />
                    ))}
                  </Box>
                </Box>
              );
            })}
            {offered.length > 0 && (
              <Box
                component="form"
                sx={{ display: 'flex', gap: 1.5, mt: 3, flexWrap: 'wrap', alignItems: 'flex-start' }}
                onSubmit={(event: React.SubmitEvent) => {
                  event.preventDefault();
                  take.mutate();
                }}
              >
                <TextField
                  label="Tags for all of these"
                  value={tags}
                  onChange={(e) => setTags(e.target.value)}
                  helperText="With commas between them."
                  sx={{ flex: '1 1 240px', maxWidth: 420 }}
                />
                <Button
                  type="submit"
                  variant="contained"
                  disabled={chosen.length === 0 || take.isPending}
                  sx={{ minHeight: 42 }}
                >
                  {chosen.length === 0
                    ? 'Nothing chosen'
                    : `Collect ${chosen.length === offered.length ? `all ${chosen.length}` : chosen.length}`}
                </Button>
              </Box>
            )}
            {offered.length === 0 && <Typography color="success">All of it is in the collection.</Typography>}
            <ProblemNote error={take.error} />
          </Card>
        )}
      </Stack>
    </>
  );
}

/* They come from nobody else, so nothing of them is chosen by itself. */
function OwnFilesHead() {
  return (
    <Box sx={{ mt: 3, mb: 1 }}>
      <Typography variant="h3">Your own files</Typography>
      <Typography color="textSecondary">
        They lie on the site itself. Choose those whose code Orbis should keep as well.
      </Typography>
    </Box>
  );
}
