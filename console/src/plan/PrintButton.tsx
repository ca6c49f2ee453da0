import Button from '@mui/material/Button';
import { useMutation } from '@tanstack/react-query';
import { useEffect } from 'react';
import type { PagePlan } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';

/**
 * Prints the steps for whoever does the pasting. What stands on the sheet is handed out first, so that a
 * sweep knows it when it is pasted from there.
 */
export function PrintButton({ plan: { steps, snippets } }: { plan: PagePlan }) {
  const handOut = useMutation({
    mutationFn: async () => {
      const open = steps.filter(
        ({ action, position }) => position === 'spot' && (action === 'paste' || action === 'replace'),
      );
      for (const { digest } of open) {
        const [placement] =
          snippets.find((each) => each.digest === digest && each.position === 'spot')?.placements ?? [];
        if (placement !== undefined) await api.call('deliveries.create', { params: { placement } });
      }
      await refresh('placements');
    },
  });
  const { isSuccess } = handOut;
  // Then the screen shows the numbers under which it was handed out.
  useEffect(() => {
    if (isSuccess) window.print();
  }, [isSuccess]);
  return (
    <>
      <Button variant="outlined" size="small" loading={handOut.isPending} onClick={() => handOut.mutate()}>
        Print the steps
      </Button>
      <ProblemNote error={handOut.error} />
    </>
  );
}
