import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { lazy, Suspense, useDeferredValue, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { linkIn, linksIn } from '@orbis/core';
import { ApiError } from '@orbis/contract/client';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { PlainField } from '../components/PlainField.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { tagsIn } from '../components/tags.ts';
import { mono } from '../theme.ts';
import type { Mending } from './mending.ts';
import { usePasted } from './pasted.ts';

/* Most of what is known of codes is loaded only when there is one. */
const AskFirst = lazy(async () => ({ default: (await import('./AskFirst.tsx')).AskFirst }));
const SeveralLinks = lazy(async () => ({ default: (await import('./SeveralLinks.tsx')).SeveralLinks }));
const Understood = lazy(async () => ({ default: (await import('./Understood.tsx')).Understood }));

/** The first screen: paste a code or a link, see what it is, give it a name. */
export default function CollectScreen() {
  const { text, field } = usePasted();
  const [name, setName] = useState('');
  const [tags, setTags] = useState('');
  /** The paste of which faults are to be mended, and which; another paste is another matter. */
  const [choice, setChoice] = useState<{ text: string; rules: Mending } | null>(null);
  const mend = choice !== null && choice.text === text ? choice.rules : null;
  const [ask, setAsk] = useState(true);
  const link = linkIn(text);
  const several = linksIn(text);
  const tagList = tagsIn(tags);
  const navigate = useNavigate();
  const announce = useAnnounce();
  const asked = useDeferredValue(text);
  const collect = useMutation({
    mutationFn: async () =>
      (
        await api.call('embeds.create', {
          body: {
            ...(name.trim() !== '' && { name }),
            text,
            mend: mend ?? false,
            ask: link !== null && ask,
            tags: tagList,
          },
        })
      ).data,
    onSuccess: async (embed) => {
      await refresh('embeds');
      void announce.done(`“${embed.name}” is in the collection.`);
      await navigate(`/collection/${embed.key}`);
    },
  });
  return (
    <>
      <ScreenHead
        title="Collect"
        lead="Paste what a provider gave you: the embed code, or just the link, or several links. It is kept exactly as it is."
      >
        <Button component={Link} to="/imports">
          Take in many
        </Button>
        <Button component={Link} to="/harvests">
          Harvest a page instead
        </Button>
      </ScreenHead>
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1.1fr) minmax(0,1fr)' },
          gap: 3,
          alignItems: 'start',
        }}
      >
        <Card>
          <Stack
            component="form"
            spacing={2}
            onSubmit={(event) => {
              event.preventDefault();
              if (several.length < 2) collect.mutate();
            }}
          >
            <PlainField
              label="Code or link"
              multiline
              minRows={8}
              maxRows={18}
              autoFocus
              required
              {...field}
              slotProps={{
                input: { spellCheck: false, style: { fontFamily: mono, fontSize: 14, lineHeight: 1.6 } },
              }}
            />
            {several.length < 2 && <NameField value={name} onChange={setName} isLink={link !== null} />}
            <PlainField
              label="Tags"
              value={tags}
              onChange={(e) => setTags(e.target.value)}
              placeholder="talks, festival"
              help="To find it by; with commas between them."
            />
            <Suspense>{link !== null && <AskFirst link={link} ask={ask} onAsk={setAsk} />}</Suspense>
            <ProblemNote error={collect.error} />
            <KnownAlready error={collect.error} />
            {several.length > 1 ? (
              <Suspense>
                <SeveralLinks key={several.join(' ')} links={several} tags={tagList} />
              </Suspense>
            ) : (
              <Button
                type="submit"
                variant="contained"
                size="large"
                disabled={collect.isPending}
                sx={{ alignSelf: 'flex-start' }}
              >
                Collect it
              </Button>
            )}
          </Stack>
        </Card>
        <Card title="What it is">
          {several.length > 1 || asked.trim() === '' ? (
            <NothingYet several={several.length > 1} />
          ) : (
            <Suspense>
              <Understood
                text={asked}
                rules={mend}
                onMend={(rules) => setChoice(rules === null ? null : { text, rules })}
              />
            </Suspense>
          )}
        </Card>
      </Box>
    </>
  );
}

const NameField = ({
  value,
  onChange,
  isLink,
}: {
  value: string;
  onChange: (value: string) => void;
  isLink: boolean;
}) => (
  <PlainField
    label="Name"
    value={value}
    onChange={(e) => onChange(e.target.value)}
    required={!isLink}
    placeholder="Opening talk"
    help={
      isLink
        ? 'What you call it; left empty, it is called as its provider calls it.'
        : 'What you call it. Its key is made from this, and stays.'
    }
  />
);

/* A code that Orbis handed out itself leads back to its embed. */
function KnownAlready({ error }: { error: unknown }) {
  if (!(error instanceof ApiError) || error.code !== 'marked-code') return null;
  return (
    <Typography>
      <Link to={`/collection/${String(error.problem.facts?.['embed'] ?? '')}`}>Open that embed</Link>
    </Typography>
  );
}

const NothingYet = ({ several }: { several: boolean }) => (
  <Typography color="textSecondary">
    {several
      ? 'Several links: each is looked at when it is collected, and shows then what it is.'
      : 'As soon as something is pasted, you see here what it does: what it loads, from whom, how large it will be, and whether something is wrong with it. Nothing of it runs.'}
  </Typography>
);
