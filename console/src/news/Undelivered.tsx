import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { Message } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

/** What did not get through for a day, and was given up: each with why, to be sent again. */
export function Undelivered() {
  const dead = useList('messages.list', { state: 'dead', limit: 20 });
  const announce = useAnnounce();
  const resend = useMutation({
    mutationFn: (messages: readonly Message[]) =>
      api.call('messages.resend', { body: { messages: messages.map(({ id }) => id) } }),
    onSuccess: async (_, { length }) => {
      await refresh('news');
      announce(`${plural(length, 'message')} to be sent again.`);
    },
  });
  const drop = useMutation({
    mutationFn: ({ id }: Message) => api.call('messages.drop', { body: { messages: [id] } }),
    onSuccess: async () => {
      await refresh('news');
      announce('Let go of it.');
    },
  });
  if (dead.items.length === 0) return <ProblemNote error={dead.error} />;
  return (
    <Card
      title="What did not get through"
      action={
        <Button
          variant="outlined"
          size="small"
          onClick={() => resend.mutate(dead.items)}
          disabled={resend.isPending}
        >
          Send all of these again
        </Button>
      }
    >
      <ProblemNote error={resend.error ?? drop.error} />
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {dead.items.map((message) => (
          <Box
            component="li"
            key={message.id}
            sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', py: 1, alignItems: 'baseline' }}
          >
            <Box sx={{ flex: 1, minWidth: 220 }}>
              <Typography sx={{ overflowWrap: 'anywhere' }}>
                <strong>{message.channel}</strong>
                {message.isTrial ? ', a trial' : `, with ${plural(message.news, 'finding')}`}, made{' '}
                {formatWhen(message.createdAt)}
              </Typography>
              <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
                {message.why}
              </Typography>
            </Box>
            <Button
              size="small"
              onClick={() => resend.mutate([message])}
              disabled={resend.isPending}
              aria-label={`Send again to ${message.channel}`}
            >
              Send again
            </Button>
            <Button
              size="small"
              onClick={() => drop.mutate(message)}
              disabled={drop.isPending}
              aria-label={`Let go of what did not get through to ${message.channel}`}
            >
              Let go of it
            </Button>
          </Box>
        ))}
      </Box>
      <More list={dead} />
    </Card>
  );
}
