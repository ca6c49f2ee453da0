import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { PersonDetails } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Removes somebody, once it was said what becomes of their work. */
export function RemovePerson({ person: { id, name } }: { person: PersonDetails }) {
  const [open, setOpen] = useState(false);
  const announce = useAnnounce();
  const params = { person: id };
  const standing = useQuery({
    queryKey: ['people', 'standing', id],
    queryFn: async () => (await api.call('people.standing', { params })).data,
    enabled: open,
  });
  const remove = useMutation({
    mutationFn: async () => {
      const { etag } = await api.call('people.read', { params });
      await api.call('people.remove', { params, ifMatch: etag ?? '*' });
    },
    onSuccess: async () => {
      setOpen(false);
      await refresh('people');
      announce(`${name} is removed. They can be let come back.`);
    },
  });
  return (
    <>
      <Button size="small" color="error" onClick={() => setOpen(true)} aria-label={`Remove ${name}`}>
        Remove
      </Button>
      <Dialog open={open} onClose={() => setOpen(false)} aria-labelledby={`remove-${id}`}>
        <DialogTitle id={`remove-${id}`}>Remove {name}?</DialogTitle>
        <DialogContent>
          <Typography>They are signed out everywhere at once, and can sign in no more.</Typography>
          {standing.data && (
            <Typography sx={{ mt: 1.5 }}>{spoken.people.removing(name, standing.data)}</Typography>
          )}
          <ProblemNote error={standing.error ?? remove.error} />
        </DialogContent>
        <DialogActions>
          <Button onClick={() => setOpen(false)}>Leave them</Button>
          <Button color="error" disabled={!standing.data || remove.isPending} onClick={() => remove.mutate()}>
            Remove {name}
          </Button>
        </DialogActions>
      </Dialog>
    </>
  );
}
