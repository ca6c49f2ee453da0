import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import type { EmbedSummary } from '@orbis/contract';
import { ApiError } from '@orbis/contract/client';
import { isOfOnePicture } from '@orbis/contract/errors';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/**
 * Takes the pictures of those that are shown and have none, or one of an earlier revision, one after the
 * other; it can be stopped.
 */
export function TakePictures({ embeds }: { embeds: readonly EmbedSummary[] }) {
  const announce = useAnnounce();
  const [done, setDone] = useState(0);
  const stop = useRef<AbortController>(null);
  const missing = embeds.filter(({ pictured, revision, retired }) => pictured !== revision && !retired);
  const take = useMutation({
    mutationFn: async () => {
      const { signal } = (stop.current = new AbortController());
      setDone(0);
      let [taken, looked] = [0, 0];
      for (const { key: embed } of missing) {
        if (signal.aborted) break;
        taken += await takeOne(embed);
        setDone(++looked);
      }
      return { taken, looked };
    },
    onSettled: () => refresh('embeds'),
    onSuccess: ({ taken, looked }) =>
      announce(
        `${plural(taken, 'picture')} taken${looked > taken ? `; ${looked - taken} showed nothing that could be photographed` : ''}.`,
      ),
  });
  if (missing.length === 0 && !take.isPending) return <ProblemNote error={take.error} />;
  return (
    <>
      {take.isPending ? (
        <Button onClick={() => stop.current?.abort()}>
          Stop: {done} of {missing.length} looked at
        </Button>
      ) : (
        <Button onClick={() => take.mutate()}>Bring {plural(missing.length, 'picture')} up to date</Button>
      )}
      <ProblemNote error={take.error} />
    </>
  );
}

async function takeOne(embed: string): Promise<0 | 1> {
  try {
    await api.call('embeds.photograph', { params: { embed }, body: {} });
    return 1;
  } catch (error) {
    if (error instanceof ApiError && isOfOnePicture(error.code)) return 0;
    throw error;
  }
}
