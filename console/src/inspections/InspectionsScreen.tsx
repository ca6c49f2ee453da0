import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Inspection } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Empty } from '../components/Empty.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { formatWhen } from '../components/when.ts';
import { Outcome } from './Outcome.tsx';
import { RunningInspection } from './RunningInspection.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** Everything of a site, held against how it was when all was well: begun here, and what came of it. */
export default function InspectionsScreen() {
  const site = useSearchParams()[0].get('site') ?? '';
  const list = useList('inspections.list', { limit: 20 }, { site });
  const [chosen, setChosen] = useState<string | null>(null);
  const announce = useAnnounce();
  const begin = useMutation({
    mutationFn: () => api.call('inspections.create', { body: { site } }),
    onSuccess: () => refresh('inspections'),
  });
  const onEnd = (ended: Inspection): void => {
    setChosen(ended.id);
    announce(spoken.inspections.result(ended));
  };
  if (list.error) return <ProblemNote error={list.error} />;
  if (!list.data) return <Waiting />;
  const running = list.items.find(({ endedAt }) => endedAt === null);
  const ended = list.items.filter(({ endedAt }) => endedAt !== null);
  const shown = ended.find(({ id }) => id === chosen) ?? ended[0];
  return (
    <>
      <ScreenHead
        title={`Check everything of ${site}`}
        lead={
          <>
            For when its editor or theme was renewed: Orbis reads all pages, looks at some with a browser, and
            says what works no longer. <Link to={`/places/${site}`}>The site</Link>
          </>
        }
      >
        <IfMay call="inspections.create" site={site}>
          <Button
            variant="contained"
            onClick={() => begin.mutate()}
            disabled={running !== undefined || begin.isPending}
          >
            Check everything
          </Button>
        </IfMay>
      </ScreenHead>
      <ProblemNote error={begin.error} />
      <Stack spacing={3}>
        {running && <RunningInspection key={running.id} inspection={running} onEnd={onEnd} />}
        {!running && !shown && (
          <Empty title="Nobody has checked it yet">
            Do it once while all is well: what a browser sees now is what the next check is held against.
          </Empty>
        )}
        {ended.length > 1 && (
          <TextField
            select
            label="Check of"
            value={shown!.id}
            onChange={({ target }) => setChosen(target.value)}
            sx={{ maxWidth: 320 }}
          >
            {ended.map(({ id, createdAt, lost }) => (
              <MenuItem key={id} value={id}>
                {formatWhen(createdAt)}
                {lost > 0 && ` · ${lost} lost`}
              </MenuItem>
            ))}
          </TextField>
        )}
        {shown && <Outcome key={shown.id} inspection={shown} />}
      </Stack>
    </>
  );
}
