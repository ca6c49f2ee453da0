import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { fileAddress } from '@orbis/core';
import type { Delivery, Placement } from '@orbis/contract';
import { optionsInWords } from '@orbis/contract/options';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { Findings } from '../components/Findings.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { StateMark } from '../components/StateMark.tsx';
import { formatWhen } from '../components/when.ts';
import { sweepToItsEnd } from '../sweeps/watch.ts';
import { IfMay } from '../components/IfMay.tsx';

/** One placement: where it is, how it stands there, the code to paste, and a look at its page. */
export function PlacementRow({ placement, showEmbed = true }: { placement: Placement; showEmbed?: boolean }) {
  const announce = useAnnounce();
  const [error, setError] = useState<unknown>(null);
  const [forHead, setForHead] = useState('');
  const [file, setFile] = useState<FileOfFrame | null>(null);
  const code = async (): Promise<string> => {
    setError(null);
    const { data, status } = await api.call('deliveries.create', { params: { placement: placement.id } });
    if (status === 201) await refresh('placements');
    setForHead(
      data.snippets
        .filter(({ position }) => position === 'page-head')
        .map(({ runs }) => runs.map(({ text }) => text).join(''))
        .join('\n'),
    );
    setFile(fileIn(data.snippets));
    return data.text;
  };
  const link = async (): Promise<string> => {
    setError(null);
    return (await api.call('placements.link', { params: { placement: placement.id } })).data.link;
  };
  const check = useMutation({
    mutationFn: async () => sweepToItsEnd({ page: placement.page }),
    onSuccess: async () => {
      await refresh('sweeps');
      announce(`${placement.page} has been read.`);
    },
  });
  const isPaused = placement.pausedAt !== null;
  const hasOwn = Object.keys(placement.options).length > 0;
  return (
    <Box
      component="article"
      aria-label={`${placement.embedName} in ${placement.place}`}
      sx={{ border: 1, borderColor: 'divider', borderRadius: 1, p: 2, bgcolor: 'background.paper' }}
    >
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          gap: 1,
          justifyContent: 'space-between',
          alignItems: 'baseline',
        }}
      >
        <Title placement={placement} showEmbed={showEmbed} />
        <StateMark state={placement.state} />
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        {seenIn(placement)}
      </Typography>
      {hasOwn && (
        <Typography variant="body2" sx={{ mb: 1.5 }}>
          Only here: {optionsInWords(placement.options)}
        </Typography>
      )}
      {placement.note !== '' && (
        <Typography variant="body2" sx={{ mb: 1.5, whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>
          {placement.note}
        </Typography>
      )}
      {placement.findings.length > 0 && (
        <Box sx={{ mb: 1.5 }}>
          <Findings findings={placement.findings} />
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <IfMay call="deliveries.create" site={placement.site}>
          {!isPaused && <CopyButton text={code} label="Copy the code" onError={setError} />}
        </IfMay>
        <IfMay call="placements.link" site={placement.site}>
          {!isPaused && (
            <CopyButton
              text={link}
              label="Copy a link instead"
              onError={setError}
              variant="text"
              title="For site editors that take no code, only a link: what you change later shows there by itself"
            />
          )}
        </IfMay>
        <IfMay call="placements.change" site={placement.site}>
          <Button size="small" component={Link} to={`/register/${placement.id}`}>
            Change it here only
          </Button>
        </IfMay>
        <IfMay call="sweeps.create" site={placement.site}>
          <Button size="small" onClick={() => check.mutate()} disabled={check.isPending}>
            {check.isPending ? 'Reading the page…' : 'Check this page now'}
          </Button>
        </IfMay>
        <IfMay call="placements.delete" site={placement.site}>
          <EndButton placement={placement} onError={setError} />
        </IfMay>
      </Box>
      {forHead !== '' && <ForHead code={forHead} />}
      {file && <ForFile {...file} />}
      <ProblemNote error={error ?? check.error} />
    </Box>
  );
}

/* Ends it: its code is to be taken out of the page. */
function EndButton({ placement, onError }: { placement: Placement; onError: (error: unknown) => void }) {
  const announce = useAnnounce();
  const end = useMutation({
    mutationFn: async () => {
      const params = { placement: placement.id };
      const { etag } = await api.call('placements.read', { params });
      return api.call('placements.delete', { params, ifMatch: etag ?? '*' });
    },
    onError,
    onSuccess: async () => {
      await refresh('placements');
      await announce.done(
        `${placement.embedName} is no longer placed in ${placement.place}. Take its code out of the page.`,
      );
    },
  });
  return (
    <Button
      size="small"
      color="inherit"
      sx={{ minWidth: 0 }}
      aria-label={`End the placement of ${placement.embedName} in ${placement.place}`}
      disabled={end.isPending}
      onClick={() => end.mutate()}
    >
      End
    </Button>
  );
}

function Title({ placement, showEmbed }: { placement: Placement; showEmbed: boolean }) {
  return (
    <Typography sx={{ fontWeight: 700, overflowWrap: 'anywhere' }}>
      {showEmbed && (
        <>
          <MuiLink component={Link} to={`/collection/${placement.embed}`} color="inherit">
            {placement.embedName}
          </MuiLink>{' '}
          <Typography component="span" color="textSecondary">
            in
          </Typography>{' '}
        </>
      )}
      <MuiLink href={placement.url} target="_blank" rel="noreferrer" color="inherit">
        {placement.place}
      </MuiLink>
    </Typography>
  );
}

interface FileOfFrame {
  address: string;
  text: string;
}

function fileIn(snippets: Delivery['snippets']): FileOfFrame | null {
  const snippet = snippets.find(({ position }) => position === 'file');
  const address = snippet && fileAddress(snippet);
  return snippet && address ? { address, text: snippet.runs.map(({ text }) => text).join('') } : null;
}

function ForFile({ address, text }: FileOfFrame) {
  return (
    <Box sx={{ mt: 1.5, display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }} role="note">
      <Typography variant="body2" sx={{ overflowWrap: 'anywhere' }}>
        Its frame shows a file on your server, at {address}.
      </Typography>
      <CopyButton text={text} label="Copy the file" />
    </Box>
  );
}

function ForHead({ code }: { code: string }) {
  return (
    <Box sx={{ mt: 1.5, display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }} role="note">
      <Typography variant="body2">
        The page needs something in its head as well, once for all its places.
      </Typography>
      <CopyButton text={code} label="Copy it for the head" />
    </Box>
  );
}

/* What its page was last seen with. */
function seenIn({ served, carries, revision, lastSeenAt, pausedAt, state, stateSince }: Placement): string {
  const isLate = state === 'out-of-date' && stateSince !== null;
  const late = isLate ? `out of date since ${formatWhen(stateSince)} · ` : '';
  const seen = `${late}last seen ${formatWhen(lastSeenAt)}`;
  if (pausedAt !== null) return `Paused since ${formatWhen(pausedAt)} · ${seen}`;
  if (served) return `Shown by its link, always as it is now · ${seen}`;
  if (carries === null) return `Not seen there yet; its newest revision is ${revision}.`;
  if (carries.revision === revision) return `Revision ${revision} · ${seen}`;
  return `Revision ${carries.revision ?? '?'}, newest is ${revision} · ${seen}`;
}
