import Stack from '@mui/material/Stack';
import type { Found } from '@orbis/contract';
import { Disclosure } from '../../components/Disclosure.tsx';
import type { ComposedDraft } from '../composed-draft.ts';
import { MeasureHeights } from './MeasureHeights.tsx';
import { TakeStill } from './TakeStill.tsx';
import { Weigh } from './Weigh.tsx';
import type { Subject } from './subject.ts';

/** What a browser beside Orbis can find out about an embed as it is being worked on. */
export function LookingTools({
  of,
  found,
  work,
}: {
  of: Subject;
  /** What was found out about its link: its provider may have named a picture. */
  found: Found | null;
  work: ComposedDraft;
}) {
  const { shown, set, player } = work;
  if (shown === null) return null;
  const subject = { ...of, options: shown.options };
  return (
    <Stack spacing={1} sx={{ mt: 2 }}>
      <Disclosure label="Take a still picture">
        <TakeStill subject={subject} hasNamed={Boolean(found?.thumbnail)} player={player} onUse={set} />
      </Disclosure>
      <Disclosure label="Measure how high it is">
        <MeasureHeights subject={subject} onUse={set} />
      </Disclosure>
      <Disclosure label="Weigh it">
        <Weigh subject={subject} />
      </Disclosure>
    </Stack>
  );
}
