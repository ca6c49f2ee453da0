import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { compareTexts, linkIn, linksIn } from '@orbis/core';
import { ApiError } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { CompareRuns, PlainCode } from '../components/CodeRuns.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { mono } from '../theme.ts';
import { AskFirst } from './AskFirst.tsx';
import { CodeParts } from './CodeParts.tsx';
import { SeveralLinks } from './SeveralLinks.tsx';
import { usePasted } from './pasted.ts';
import { ReadingFacts } from './ReadingFacts.tsx';

/** The first screen: paste a code or a link, see what it is, give it a name. */
export default function CollectScreen() {
  const { text, field } = usePasted();
  const [name, setName] = useState('');
  const [tags, setTags] = useState('');
  /** The paste of which faults are to be mended, and which; another paste is another matter. */
  const [choice, setChoice] = useState<{ text: string; rules: true | string[] } | null>(null);
  const mend = choice !== null && choice.text === text ? choice.rules : false;
  const [ask, setAsk] = useState(true);
  const link = linkIn(text);
  const several = linksIn(text);
  const tagList = tags
    .split(',')
    .map((tag) => tag.trim())
    .filter(Boolean);
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
            ...(name.trim() !== '' && { name }),
            text,
            mend,
            ask: link !== null && ask,
            tags: tagList,
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
  const mended = useQuery({
    queryKey: ['reading', asked, mend],
    enabled: mend !== false && asked.trim() !== '',
    queryFn: async ({ signal }) => {
      const { data } = await api.call('readings.create', { body: { text: asked, mend }, signal });
      return { reading: data.items[0]!, ...data.mended[0]! };
    },
    placeholderData: (before) => before,
  });
  const now = mend === false ? undefined : mended.data;
  const shown = asked.trim() === '' ? undefined : (now?.reading ?? reading.data);
  const shownText = now?.text ?? asked;
  const mendable = reading.data?.findings.filter((finding) => finding.mend.length > 0 && finding.level !== 'note') ?? [];
  const mendOne = (rule: string): void => setChoice({ text, rules: mend === true ? true : [...(mend === false ? [] : mend), rule] });

  return (
    <>
      <ScreenHead title="Collect" lead="Paste what a provider gave you: the embed code, or just the link, or several links. It is kept exactly as it is.">
        <Button component={Link} to="/imports">
          Take in many
        </Button>
        <Button component={Link} to="/harvests">
          Harvest a page instead
        </Button>
      </ScreenHead>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1.1fr) minmax(0,1fr)' }, gap: 3, alignItems: 'start' }}>
        <Card>
          <Stack
            component="form"
            spacing={2}
            onSubmit={(event) => {
              event.preventDefault();
              if (several.length < 2) collect.mutate();
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
            {several.length < 2 && (
              <TextField
                label="Name"
                value={name}
                onChange={(e) => setName(e.target.value)}
                required={link === null}
                placeholder="Opening talk"
                helperText={link === null ? 'What you call it. Its key is made from this, and stays.' : 'What you call it; left empty, it is called as its provider calls it.'}
              />
            )}
            <TextField label="Tags" value={tags} onChange={(e) => setTags(e.target.value)} placeholder="talks, festival" helperText="To find it by; with commas between them." />
            {link !== null && <AskFirst link={link} ask={ask} onAsk={setAsk} />}
            <ProblemNote error={collect.error} />
            {known && (
              <Typography>
                <Link to={`/collection/${known}`}>Open that embed</Link>
              </Typography>
            )}
            {several.length > 1 ? (
              <SeveralLinks key={several.join(' ')} links={several} tags={tagList} />
            ) : (
              <Button type="submit" variant="contained" size="large" disabled={collect.isPending} sx={{ alignSelf: 'flex-start' }}>
                Collect it
              </Button>
            )}
          </Stack>
        </Card>
        <Card title="What it is">
          {reading.error ? <ProblemNote error={reading.error} /> : null}
          {several.length > 1 ? (
            <Typography color="textSecondary">Several links: each is looked at when it is collected, and shows then what it is.</Typography>
          ) : shown ? (
            <Stack spacing={2}>
              {now ? (
                <Alert
                  severity="success"
                  variant="outlined"
                  action={
                    <Button color="inherit" size="small" onClick={() => setChoice(null)}>
                      Leave it as pasted
                    </Button>
                  }
                >
                  Mended; what you pasted is kept all the same.
                  <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
                    {[...new Set(now.done.map(({ reason }) => reason))].map((reason) => (
                      <li key={reason}>{reason}</li>
                    ))}
                  </Box>
                </Alert>
              ) : (
                mendable.length > 1 && (
                  <Alert
                    severity="warning"
                    variant="outlined"
                    action={
                      <Button color="inherit" size="small" onClick={() => setChoice({ text, rules: true })}>
                        Mend them all
                      </Button>
                    }
                  >
                    {mendable.length} of these can be mended here.
                  </Alert>
                )
              )}
              <ReadingFacts reading={shown} onMend={mendOne} />
              <CodeParts text={shownText} reading={shown} />
              {now && (
                <Disclosure label="Show it as it was pasted">
                  <Typography variant="h3">As it was pasted</Typography>
                  <CompareRuns runs={compareTexts(asked, now.text)} label="What was pasted, with what is mended in it" />
                </Disclosure>
              )}
              {shown.generated !== null && (
                <div>
                  <Typography variant="h3">The code that Orbis makes of {shown.input === 'link' ? 'this link without asking anybody' : 'it'}</Typography>
                  <PlainCode text={shown.generated} label="The code made of the link" />
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
