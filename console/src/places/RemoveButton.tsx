import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import type { Standing } from '@orbis/contract';
import { mostStanding } from '@orbis/contract/counting';
import { capital, spoken } from '@orbis/contract/language';
import { refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

interface Props {
  label: string;
  /** What stands on the button, where there is no room for the label. */
  short?: string;
  /** What is removed, as it is called. */
  name: string;
  /** What becomes of what is placed there, or how to find that out once somebody wants to remove it. */
  standing: Standing | (() => Promise<Standing>);
  remove: (query: { placements?: 'end' }) => Promise<void>;
  onRemoved?: () => void;
}

/* Beside each thing of a list it is not what the eye falls on. */
const quiet = { py: 0, color: 'text.secondary', fontWeight: 400, verticalAlign: 'baseline' };

/**
 * Removes a spot, a page or a site; where something is placed there, it says first what becomes of that. It
 * can be taken back, so that where nothing is, nothing is asked.
 */
export function RemoveButton({ label, short, name, standing, remove, onRemoved }: Props) {
  const [asking, setAsking] = useState<Standing | null>(null);
  const title = useId();
  const announce = useAnnounce();
  const work = useMutation({
    mutationFn: ({ placements }: Standing) => remove(placements > 0 ? { placements: 'end' } : {}),
    onSuccess: async () => {
      setAsking(null);
      onRemoved?.();
      await refresh('sites');
      await announce.done(`${capital(name)} is removed.`);
    },
  });
  const begin = useMutation({
    mutationFn: async () => (typeof standing === 'function' ? standing() : standing),
    onSuccess: (found) => (found.placements > 0 ? setAsking(found) : work.mutate(found)),
  });
  return (
    <>
      <Button
        size="small"
        color="inherit"
        sx={short === undefined ? { mt: 1, ml: -0.75 } : quiet}
        {...(short !== undefined && { 'aria-label': label })}
        loading={begin.isPending || work.isPending}
        onClick={() => begin.mutate()}
      >
        {short ?? label}
      </Button>
      <ProblemNote error={begin.error ?? work.error} />
      <Dialog open={asking !== null} onClose={() => setAsking(null)} aria-labelledby={title}>
        <DialogTitle id={title}>Remove {name}?</DialogTitle>
        <DialogContent>{asking && spoken.standing.removed(asking, mostStanding)}</DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(null)}>Leave it</Button>
          <Button color="error" loading={work.isPending} onClick={() => asking && work.mutate(asking)}>
            {label}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
