import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { api } from '../api.ts';
import { PlainCode } from '../components/CodeRuns.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { FoundFacts } from './FoundFacts.tsx';

/** Says whom Orbis would ask about a link before it asks, and lets the owner do without. */
export function AskFirst({
  link,
  ask,
  onAsk,
}: {
  link: string;
  ask: boolean;
  onAsk: (ask: boolean) => void;
}) {
  const asks = useQuery({
    queryKey: ['links', link],
    queryFn: async () => (await api.call('links.find', { body: { link } })).data.asks,
    retry: false,
  });
  const look = useMutation({
    mutationFn: async () => (await api.call('links.find', { body: { link, ask: true } })).data,
  });
  if (asks.error) return <ProblemNote error={asks.error} />;
  if (!asks.data || asks.data.length === 0) return null;
  const seen = look.data?.link === link ? look.data : null;
  return (
    <Box sx={{ borderLeft: 3, borderColor: 'divider', pl: 2 }}>
      <FormControlLabel
        control={<Switch checked={ask} onChange={(_, on) => onAsk(on)} />}
        label="Ask what this link is"
      />
      {asks.data.map(({ host, what }) => (
        <Typography key={host} variant="body2" color="textSecondary">
          {ask ? 'Orbis will ask' : 'Orbis asks nobody; otherwise it would ask'} <strong>{host}</strong> for{' '}
          {what}.
        </Typography>
      ))}
      {ask && (
        <Button
          size="small"
          sx={{ ml: -0.75, mt: 0.5 }}
          disabled={look.isPending}
          onClick={() => look.mutate()}
        >
          Ask now, without collecting it
        </Button>
      )}
      <ProblemNote error={look.error} />
      {seen?.found && <FoundFacts found={seen.found} />}
      {seen?.code && <PlainCode text={seen.code} label="The code that comes of the answer" />}
    </Box>
  );
}
