import Stack from '@mui/material/Stack';
import type { Found } from '@orbis/contract';
import { Disclosure } from '../../components/Disclosure.tsx';
import { possible, type FormWork } from '../composed-draft.ts';
import { MeasureHeights } from './MeasureHeights.tsx';
import { TakeStill } from './TakeStill.tsx';
import { Weigh } from './Weigh.tsx';
import type { Subject } from './subject.ts';

/** What a browser beside Orbis can find out about an embed as it is being worked on. */
export function LookingTools({
  of,
  found,
  page = null,
  work,
}: {
  of: Subject;
  /** What was found out about its link: its provider may have named a picture. */
  found: Found | null;
  /** The page on which it stands, where it is about one place. */
  page?: string | null;
  work: FormWork;
}) {
  const { add, set, player } = work;
  const shown = possible(work.composed);
  if (shown === null) return null;
  const subject = { ...of, options: shown.options };
  // It shows only while something waits, and has no other types beside it.
  const takeIn = (still: string): void => {
    if (shown.options['still-also'] !== undefined) set('still-also', null);
    add({ still, ...(shown.options['load'] === undefined && { load: 'near' }) });
  };
  return (
    <Stack spacing={1} sx={{ mt: 2 }}>
      <Disclosure label="Take a still picture">
        <TakeStill subject={subject} hasNamed={Boolean(found?.thumbnail)} player={player} onUse={takeIn} />
      </Disclosure>
      <Disclosure label="Measure how high it is">
        <MeasureHeights subject={subject} page={page} onUse={(heights) => add({ heights })} />
      </Disclosure>
      <Disclosure label="Weigh it">
        <Weigh subject={subject} />
      </Disclosure>
    </Stack>
  );
}
