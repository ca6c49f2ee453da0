import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import type { Standing } from '@orbis/contract';
import { mostStanding } from '@orbis/contract/counting';
import { spoken } from '@orbis/contract/language';
import { refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

interface Props {
  label: string;
  /** What is removed, as it is called. */
  name: string;
  standing: Standing;
  remove: (query: { placements?: 'end' }) => Promise<void>;
  onRemoved?: () => void;
}

/**
 * Removes a page or a site; where something is placed there, it says first what becomes of that. It can be
 * taken back, so that where nothing is, nothing is asked.
 */
export function RemoveButton({ label, name, standing, remove, onRemoved }: Props) {
  const [isAsking, setAsking] = useState(false);
  const title = useId();
  const announce = useAnnounce();
  const work = useMutation({
    mutationFn: () => remove(standing.placements > 0 ? { placements: 'end' } : {}),
    onSuccess: async () => {
      setAsking(false);
      onRemoved?.();
      await refresh('sites');
      await announce.done(`${name} is removed.`);
    },
  });
  return (
    <>
      <Button
        size="small"
        color="inherit"
        sx={{ mt: 1, ml: -0.75 }}
        loading={work.isPending}
        onClick={() => (standing.placements > 0 ? setAsking(true) : work.mutate())}
      >
        {label}
      </Button>
      <ProblemNote error={work.error} />
      <Dialog open={isAsking} onClose={() => setAsking(false)} aria-labelledby={title}>
        <DialogTitle id={title}>Remove {name}?</DialogTitle>
        <DialogContent>{spoken.standing.removed(standing, mostStanding)}</DialogContent>
        <DialogActions>
          <Button onClick={() => setAsking(false)}>Leave it</Button>
          <Button color="error" loading={work.isPending} onClick={() => work.mutate()}>
            {label}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
