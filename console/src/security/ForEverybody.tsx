import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { DemandedOf, Security } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Confirm } from '../components/Confirm.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/* So many of those are named who have none. */
const mostNamed = 8;

/** Whether a second factor is demanded of everybody, for those who decide that. */
export function ForEverybody({ demandedOf: now }: Pick<Security, 'demandedOf'>) {
  const people = useList('people.list', {});
  const announce = useAnnounce();
  const without = people.items
    .filter(({ state, secondFactor }) => state === 'active' && !secondFactor)
    .map(({ name }) => name);
  const demand = useMutation({
    mutationFn: async (of: DemandedOf) => api.call('security.demand', { body: { of } }),
    onSuccess: async (_, of) => {
      await refresh('account', 'people');
      announce(spoken.security.demanded[of]);
    },
  });
  const lacking = spoken.security.lacking(
    without.slice(0, mostNamed),
    Math.max(0, without.length - mostNamed),
  );
  return (
    <Card
      title="For everybody"
      action={
        now === 'all' ? (
          <Confirm
            label="Leave it to everybody"
            title="Leave it to everybody’s choice?"
            variant="outlined"
            onConfirm={() => demand.mutate('nobody')}
          >
            What each of them has set up stays as it is.
          </Confirm>
        ) : (
          <Confirm
            label="Demand it of everybody"
            title="Demand a second factor of everybody?"
            variant="outlined"
            onConfirm={() => demand.mutate('all')}
          >
            {lacking}
          </Confirm>
        )
      }
    >
      <Typography>{spoken.security.demanded[now]}</Typography>
      {now === 'all' && without.length > 0 && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          {lacking}
        </Typography>
      )}
      <ProblemNote error={people.error ?? demand.error} />
    </Card>
  );
}
