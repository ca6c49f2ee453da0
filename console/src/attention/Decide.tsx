import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Decision, KeptFinding } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

const said: Readonly<Record<Decision, string>> = {
  seen: 'Taken notice of.',
  later: 'It waits, and comes back then.',
  muted: 'It is not told again.',
  solved: 'Called solved. The next sweep says whether it is.',
  open: 'It wants attention again.',
};

const day = 24 * 60 * 60 * 1000;
const inDays = (days: number): string => new Date(Date.now() + days * day).toISOString().slice(0, 10);

/** What can be decided about a finding, behind one button. */
export function Decide({ finding }: { finding: KeptFinding }) {
  const announce = useAnnounce();
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const [asking, setAsking] = useState<'later' | 'muted' | null>(null);
  const decide = useMutation({
    mutationFn: (body: { as: Decision; until?: string; reason?: string }) =>
      api.call('findings.decide', { body: { findings: [finding.id], ...body } }),
    onSuccess: async (_, { as }) => {
      setAsking(null);
      await refresh('findings');
      announce(said[as]);
    },
  });
  const choose = (as: Decision) => (): void => {
    setMenu(null);
    if (as === 'later' || as === 'muted') setAsking(as);
    else decide.mutate({ as });
  };
  if (finding.list !== 'open')
    return (
      <>
        {finding.list !== 'solved' && (
          <Button size="small" onClick={choose('open')} disabled={decide.isPending}>
            Tell it again
          </Button>
        )}
        <ProblemNote error={decide.error} />
      </>
    );
  return (
    <>
      <Button
        size="small"
        aria-haspopup="menu"
        aria-label={`Decide: ${finding.embedName ?? finding.message}`}
        onClick={({ currentTarget }) => setMenu(currentTarget)}
      >
        Decide…
      </Button>
      <Menu anchorEl={menu} open={menu !== null} onClose={() => setMenu(null)}>
        {finding.isNew && <MenuItem onClick={choose('seen')}>I have seen it</MenuItem>}
        <MenuItem onClick={choose('later')}>Tell me later…</MenuItem>
        <MenuItem onClick={choose('solved')}>It is solved</MenuItem>
        <MenuItem onClick={choose('muted')}>Do not tell it again…</MenuItem>
      </Menu>
      {asking && (
        <Ask
          what={asking}
          error={decide.error}
          onClose={() => setAsking(null)}
          onSay={(body) => decide.mutate({ as: asking, ...body })}
        />
      )}
      {!asking && <ProblemNote error={decide.error} />}
    </>
  );
}

function Ask({
  what,
  error,
  onClose,
  onSay,
}: {
  what: 'later' | 'muted';
  /** Why what was said last was not taken. */
  error: Error | null;
  onClose: () => void;
  onSay: (said: { until?: string; reason?: string }) => void;
}) {
  const [until, setUntil] = useState(inDays(7));
  const [reason, setReason] = useState('');
  const isLater = what === 'later';
  const isReady = isLater ? until > inDays(0) : reason.trim() !== '';
  return (
    <Dialog open onClose={onClose} aria-labelledby="ask-title">
      <DialogTitle id="ask-title">{isLater ? 'Tell me later' : 'Do not tell it again'}</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1, minWidth: { sm: 380 } }}>
          <ProblemNote error={error} />
          {isLater ? (
            <TextField
              type="date"
              label="On"
              value={until}
              onChange={({ target }) => setUntil(target.value)}
              slotProps={{ inputLabel: { shrink: true } }}
            />
          ) : (
            <Typography color="textSecondary">
              It stays on the list of what is not told again, with your reason.
            </Typography>
          )}
          <TextField
            label={isLater ? 'Why (if you like)' : 'Why'}
            value={reason}
            onChange={({ target }) => setReason(target.value)}
            slotProps={{ htmlInput: { maxLength: 500 } }}
          />
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Leave it</Button>
        <Button
          variant="contained"
          disabled={!isReady}
          onClick={() =>
            onSay({
              ...(isLater && { until: new Date(`${until}T00:00`).toISOString() }),
              ...(reason.trim() !== '' && { reason: reason.trim() }),
            })
          }
        >
          {isLater ? 'Let it wait' : 'Do not tell it again'}
        </Button>
      </DialogActions>
    </Dialog>
  );
}
