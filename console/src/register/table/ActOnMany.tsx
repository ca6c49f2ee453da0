import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { MadeOfMany } from '@orbis/contract';
import { mostAtOnce } from '@orbis/contract/counting';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';

const acts: readonly [MadeOfMany, label: string, said: (count: string) => string][] = [
  ['paused', 'Pause', (count) => `Paused in ${count}. Take the code out of the pages for now.`],
  ['resumed', 'Let go on', (count) => `Going on in ${count}.`],
  ['ended', 'End', (count) => `Ended in ${count}. Take the code out of the pages.`],
];

/** What can be done with the placements that are chosen, all at once; each of it can be taken back. */
export function ActOnMany({ chosen, onDone }: { chosen: readonly string[]; onDone: () => void }) {
  const announce = useAnnounce();
  const work = useMutation({
    mutationFn: async (make: MadeOfMany) =>
      (await api.call('placements.changeMany', { body: { placements: [...chosen], make } })).data.placements,
    onSuccess: async (changed, make) => {
      onDone();
      await refresh('placements');
      if (changed.length === 0) announce('They were so already.');
      else await announce.done(acts.find(([each]) => each === make)![2](plural(changed.length, 'place')));
    },
  });
  const isTooMany = chosen.length > mostAtOnce;
  return (
    <Box role="group" aria-label="What is chosen">
      {chosen.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          Tick places to change many at once. A click on a row opens it below.
        </Typography>
      )}
      {chosen.length > 0 && (
        <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}>
          <Typography sx={{ mr: 1 }}>
            {plural(chosen.length, 'place')} chosen
            {isTooMany && `; at most ${mostAtOnce} are changed at once`}
          </Typography>
          {acts.map(([make, label]) => (
            <Button
              key={make}
              size="small"
              variant="outlined"
              disabled={isTooMany || work.isPending}
              onClick={() => work.mutate(make)}
            >
              {label}
            </Button>
          ))}
        </Box>
      )}
      <ProblemNote error={work.error} />
    </Box>
  );
}
