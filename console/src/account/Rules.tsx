import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { useMay } from '../session.ts';

/** What holds for every embed of which nothing else is asked. */
export function Rules() {
  const announce = useAnnounce();
  const may = useMay();
  const rules = useQuery({ queryKey: ['rules'], queryFn: () => api.call('rules.read') });
  const change = useMutation({
    mutationFn: (dropTracking: boolean) =>
      api.call('rules.change', { body: { dropTracking }, ifMatch: rules.data?.etag ?? '' }),
    onSuccess: async ({ data }) => {
      await refresh('rules');
      announce(data.dropTracking ? 'They are taken out from now on.' : 'They stay from now on.');
    },
  });
  return (
    <>
      <ProblemNote error={rules.error ?? change.error} />
      <FormControlLabel
        control={
          <Switch
            checked={change.isPending ? change.variables : (rules.data?.data.dropTracking ?? false)}
            disabled={!rules.data || !may('rules.change')}
            onChange={(_, on) => change.mutate(on)}
          />
        }
        label="Take parameters out of addresses that only follow people"
      />
      <Typography variant="body2" color="textSecondary">
        What an embed says itself wins. Pages keep the code that they carry until you paste the new one there;
        the register says where.
      </Typography>
    </>
  );
}
