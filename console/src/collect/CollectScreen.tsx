import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { ApiError } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../parts/Announcer.tsx';
import { Card } from '../parts/Card.tsx';
import { ProblemNote } from '../parts/ProblemNote.tsx';
import { ScreenHead } from '../parts/ScreenHead.tsx';
import { PlainCode } from '../parts/CodeRuns.tsx';
import { mono } from '../theme.ts';
import { CodeParts } from './CodeParts.tsx';
import { usePasted } from './pasted.ts';
import { ReadingFacts } from './ReadingFacts.tsx';

/** The first screen: paste a code or a link, see what it is, give it a name. */
export default function CollectScreen() {
  const { text, field } = usePasted();
  const [name, setName] = useState('');
  const [tags, setTags] = useState('');
  /** The paste whose mending was accepted; another paste is another matter. */
  const [mended, setMended] = useState<string | null>(null);
  const mend = mended !== null && mended === text;
  const navigate = useNavigate();
  const announce = useAnnounce();
  const asked = useDeferredValue(text);
  const reading = useQuery({
    queryKey: ['reading', asked],
    enabled: asked.trim() !== '',
    queryFn: async ({ signal }) => (await api.call('readings.create', { body: { text: asked }, signal })).data.items[0]!,
    placeholderData: (before) => before,
  });
  const collect = useMutation({
    mutationFn: async () =>
      (
        await api.call('embeds.create', {
          body: {
            name,
            text,
            mend,
            tags: tags
              .split(',')
              .map((tag) => tag.trim())
              .filter(Boolean),
          },
        })
      ).data,
    onSuccess: async (embed) => {
      await refresh();
      announce(`“${embed.name}” is in the collection.`);
      await navigate(`/collection/${embed.key}`);
    },
  });
  const known = collect.error instanceof ApiError && collect.error.code === 'marked-code' ? String(collect.error.problem.facts?.['embed'] ?? '') : '';
  const offered = asked.trim() !== '' ? (reading.data?.mending ?? null) : null;
  const afterMending = useQuery({
    queryKey: ['reading', offered?.text],
    enabled: mend && offered !== null,
    queryFn: async ({ signal }) => (await api.call('readings.create', { body: { text: offered!.text }, signal })).data.items[0]!,
  });
  const shown = asked.trim() === '' ? undefined : mend && offered ? afterMending.data : reading.data;
  const shownText = mend && offered ? offered.text : asked;

  return (
    <>
      <ScreenHead title="Collect" lead="Paste what a provider gave you: the embed code, or just the link. It is kept exactly as it is." />
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1.1fr) minmax(0,1fr)' }, gap: 3, alignItems: 'start' }}>
        <Card>
          <Stack
            component="form"
            spacing={2}
            onSubmit={(event) => {
              event.preventDefault();
              collect.mutate();
            }}
          >
            <TextField
              label="Code or link"
              multiline
              minRows={8}
              maxRows={18}
              autoFocus
              required
              {...field}
              slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: mono, fontSize: 14, lineHeight: 1.6 } } }}
            />
            <TextField
              label="Name"
              value={name}
              onChange={(e) => setName(e.target.value)}
              required
              placeholder="Opening talk"
              helperText="What you call it. Its key is made from this, and stays."
            />
            <TextField label="Tags" value={tags} onChange={(e) => setTags(e.target.value)} placeholder="talks, festival" helperText="To find it by; with commas between them." />
            <ProblemNote error={collect.error} />
            {known && (
              <Typography>
                <Link to={`/collection/${known}`}>Open that embed</Link>
              </Typography>
            )}
            <Button type="submit" variant="contained" size="large" disabled={collect.isPending} sx={{ alignSelf: 'flex-start' }}>
              Collect it
            </Button>
          </Stack>
        </Card>
        <Card title="What it is">
          {reading.error ? <ProblemNote error={reading.error} /> : null}
          {shown ? (
            <Stack spacing={2}>
              {offered && (
                <Alert
                  severity={mend ? 'success' : 'warning'}
                  variant="outlined"
                  action={
                    <Button color="inherit" size="small" onClick={() => setMended(mend ? null : text)}>
                      {mend ? 'Leave it as pasted' : 'Mend it'}
                    </Button>
                  }
                >
                  {mend ? 'Mended; what you pasted is kept all the same. ' : 'This can be mended. '}
                  {offered.edits[0]!.reason}
                </Alert>
              )}
              <ReadingFacts reading={shown} />
              <CodeParts text={shownText} reading={shown} />
              {shown.made !== null && (
                <div>
                  <Typography variant="h3">The code that Orbis makes of this link</Typography>
                  <PlainCode text={shown.made} label="The code made of the link" />
                </div>
              )}
            </Stack>
          ) : (
            <Typography color="textSecondary">
              As soon as something is pasted, you see here what it does: what it loads, from whom, how large it will be, and whether something is wrong with it. Nothing of it runs.
            </Typography>
          )}
        </Card>
      </Box>
    </>
  );
}
