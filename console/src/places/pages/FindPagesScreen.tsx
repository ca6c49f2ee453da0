import Alert from '@mui/material/Alert';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import type { FoundPages, Site } from '@orbis/contract';
import { plural, spoken } from '@orbis/contract/language';
import { pagesInList } from '@orbis/contract/page-file';
import { refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { Card } from '../../components/Card.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { ScreenHead } from '../../components/ScreenHead.tsx';
import { Waiting } from '../../components/Waiting.tsx';
import { FoundPagesList } from './FoundPagesList.tsx';
import { addPages, searchPages, type NewPage } from './search-pages.ts';
import { WhereToLook, type Way } from './WhereToLook.tsx';
import { useSite } from '../use-site.ts';

/** The pages of a site, found by itself or from a list, and added together. */
export default function FindPagesScreen() {
  const { site: key = '' } = useParams();
  const site = useSite(key);
  if (site.error) return <ProblemNote error={site.error} />;
  if (!site.data) return <Waiting />;
  return <FindPages site={site.data.data} />;
}

function FindPages({ site }: { site: Site }) {
  const [count, setCount] = useState(0);
  const stop = useRef(new AbortController());
  const announce = useAnnounce();
  const look = useMutation({
    mutationFn: async (way: Way): Promise<Found> => {
      add.reset();
      if (typeof way !== 'string') return { told: null, pages: withKeys(site, pagesInList(way.list, site)) };
      setCount(0);
      stop.current = new AbortController();
      const told = await searchPages(site.key, way, { signal: stop.current.signal, onFound: setCount });
      return { told, pages: told.pages.filter(({ isKnown }) => !isKnown) };
    },
  });
  const add = useMutation({
    mutationFn: (pages: NewPage[]) => addPages(site.key, pages),
    onSuccess: async (added) => {
      look.reset();
      await refresh('sites');
      void announce.done(`${plural(added, 'page is', 'pages are')} in the register.`);
    },
  });
  return (
    <>
      <ScreenHead
        title={`The pages of ${site.name}`}
        lead="Find them all at once, choose those that have something embedded or will have, and add them to the register."
      />
      <Stack spacing={3}>
        <Card title="Where to look">
          <WhereToLook
            isLooking={look.isPending}
            found={count}
            onLook={(way) => look.mutate(way)}
            onStop={() => {
              stop.current.abort();
              look.reset();
            }}
          />
          <ProblemNote error={look.error} />
        </Card>
        {look.data && (
          <Card title={titleOf(look.data)}>
            {look.data.told && <Told {...look.data.told} />}
            {look.data.pages.length > 0 && (
              <FoundPagesList
                pages={look.data.pages}
                isAdding={add.isPending}
                onAdd={(all) => add.mutate(all)}
              />
            )}
            <ProblemNote error={add.error} />
          </Card>
        )}
        {add.data !== undefined && (
          <Alert severity="success" variant="outlined">
            {plural(add.data, 'page was', 'pages were')} added to <Link to="/places">your places</Link>. Name
            the spots on those where something goes.
          </Alert>
        )}
      </Stack>
    </>
  );
}

interface Found {
  /** What was found where the site was looked at. */
  told: FoundPages | null;
  pages: NewPage[];
}

const withKeys = (site: Site, pages: ReturnType<typeof pagesInList>): NewPage[] =>
  pages.map((page) => ({ key: `${site.key}/${page.path}`, ...page }));

const titleOf = ({ told, pages }: Found): string =>
  told === null
    ? `${plural(pages.length, 'page')} in your list`
    : pages.length === 0
      ? told.pages.length === 0
        ? 'No page found'
        : `${plural(told.pages.length, 'page')} found, and the register has them all`
      : `${plural(told.pages.length, 'page')} found, ${pages.length === told.pages.length ? 'all' : pages.length} of them new`;

/* What was not taken, and why. */
function Told({ leftOut, unread, isCut }: FoundPages) {
  const sentences = [
    spoken.noPages(leftOut),
    isCut ? 'There are more pages: add these first, then look again.' : '',
    ...unread.slice(0, 5).map(({ address, why }) => `Not read: ${address}: ${why}`),
    unread.length > 5 ? `${unread.length - 5} more could not be read.` : '',
  ].filter(Boolean);
  return sentences.map((sentence) => (
    <Typography key={sentence} variant="body2" color="textSecondary" sx={{ mb: 1, overflowWrap: 'anywhere' }}>
      {sentence}
    </Typography>
  ));
}
