import { useMutation } from '@tanstack/react-query';
import type { PersonDetails } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Confirm } from '../components/Confirm.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Takes away the second factors of somebody who lost them. */
export function TakeFactors({ person: { id, name } }: { person: PersonDetails }) {
  const announce = useAnnounce();
  const take = useMutation({
    mutationFn: async () => api.call('people.takeFactors', { params: { person: id } }),
    onSuccess: async () => {
      await refresh('people', 'account');
      announce(`${name} signs in with a password alone now.`);
    },
  });
  return (
    <>
      <Confirm
        label="Phone or key lost"
        title={`Take away the passkeys and codes of ${name}?`}
        aria-label={`Phone or key lost: ${name}`}
        onConfirm={() => take.mutate()}
      >
        Do it when they have lost their phone and their recovery codes, and you know that it is they who ask.
        They are signed out everywhere, and sign in with their password alone then.
      </Confirm>
      <ProblemNote error={take.error} />
    </>
  );
}
