import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { PersonDetails, PersonRole, SiteRole } from '@orbis/contract';
import { capital, spoken } from '@orbis/contract/language';
import { personRoles, siteRoles } from '@orbis/contract/rights';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import type { LinkMade } from './LinkShownOnce.tsx';

interface Props {
  /** Null for somebody who is invited. */
  person: PersonDetails | null;
  onClose: () => void;
  onInvited: (made: LinkMade) => void;
}

/** Invites somebody, or changes what somebody is called and may do. */
export function PersonDialog({ person, onClose, onInvited }: Props) {
  const [name, setName] = useState(person?.name ?? '');
  const [email, setEmail] = useState(person?.email ?? '');
  const [role, setRole] = useState<PersonRole | ''>(person ? (person.role ?? '') : 'editor');
  const [sites, setSites] = useState<ReadonlyMap<string, SiteRole>>(
    new Map(person?.sites.map((each) => [each.site, each.role])),
  );
  const announce = useAnnounce();
  const save = useMutation({
    mutationFn: async (): Promise<LinkMade | null> => {
      const body = {
        ...{ name: name.trim(), email: email.trim() === '' ? null : email.trim() },
        ...{ role: role === '' ? null : role, sites: [...sites].map(([site, as]) => ({ site, role: as })) },
      };
      if (!person) return (await api.call('people.create', { body })).data;
      const params = { person: person.id };
      const { etag } = await api.call('people.read', { params });
      await api.call('people.change', { params, body, ifMatch: etag ?? '*' });
      return null;
    },
    onSuccess: async (made) => {
      await refresh('people');
      onClose();
      if (made) onInvited(made);
      else announce(`Saved for ${name.trim()}. It holds at once.`);
    },
  });
  const title = person ? `Change ${person.name}` : 'Invite somebody';
  return (
    <Dialog open onClose={onClose} aria-labelledby="person-title" maxWidth="sm" fullWidth>
      <Box component="form" onSubmit={(event) => (event.preventDefault(), save.mutate())}>
        <DialogTitle id="person-title">{title}</DialogTitle>
        <DialogContent>
          <Stack spacing={2.5} sx={{ pt: 1 }}>
            <TextField
              label="Name"
              value={name}
              onChange={({ target }) => setName(target.value)}
              helperText="They sign in by it, and what they make carries it."
              required
            />
            <TextField
              label="Mail"
              type="email"
              value={email}
              onChange={({ target }) => setEmail(target.value)}
              helperText="Where the invitation goes, if a mail server is set up. You see the link in any case."
            />
            <TextField
              select
              label="For everything"
              value={role}
              onChange={({ target }) => setRole(target.value as PersonRole | '')}
              helperText={
                role === '' ? 'Only what you choose below.' : `${capital(spoken.people.may[role])}.`
              }
            >
              <MenuItem value="">Nothing: single sites alone</MenuItem>
              {personRoles.map((each) => (
                <MenuItem key={each} value={each}>
                  {capital(spoken.people.roles[each])}
                </MenuItem>
              ))}
            </TextField>
            {role !== 'owner' && <OnSites sites={sites} onChange={setSites} />}
            <ProblemNote error={save.error} />
          </Stack>
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={name.trim() === '' || save.isPending}>
            {person ? 'Save' : 'Make the invitation'}
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}

/* What somebody is on single sites. */
function OnSites({
  sites,
  onChange,
}: {
  sites: ReadonlyMap<string, SiteRole>;
  onChange: (sites: ReadonlyMap<string, SiteRole>) => void;
}) {
  const list = useList('sites.list', { limit: 200 });
  const set = (site: string, role: string): void => {
    const next = new Map(sites);
    if (role === '') next.delete(site);
    else next.set(site, role as SiteRole);
    onChange(next);
  };
  if (list.items.length === 0) return null;
  return (
    <Box component="fieldset" sx={{ border: 0, m: 0, p: 0 }}>
      <Typography component="legend" color="textSecondary" sx={{ mb: 1 }}>
        On single sites; the more of both counts there
      </Typography>
      <Box sx={{ maxHeight: 260, overflowY: 'auto' }}>
        {list.items.map(({ key, name }) => (
          <Box key={key} sx={{ display: 'flex', gap: 2, alignItems: 'center', py: 0.5 }}>
            <Typography sx={{ flex: 1, minWidth: 0, overflowWrap: 'anywhere' }}>{name}</Typography>
            <TextField
              select
              size="small"
              value={sites.get(key) ?? ''}
              onChange={({ target }) => set(key, target.value)}
              slotProps={{ htmlInput: { 'aria-label': `On ${name}` }, select: { displayEmpty: true } }}
              sx={{ width: 150, flex: 'none' }}
            >
              <MenuItem value="">–</MenuItem>
              {siteRoles.map((role) => (
                <MenuItem key={role} value={role}>
                  {capital(spoken.people.roles[role])}
                </MenuItem>
              ))}
            </TextField>
          </Box>
        ))}
      </Box>
      <ProblemNote error={list.error} />
    </Box>
  );
}
