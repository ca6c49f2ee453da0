import Alert from '@mui/material/Alert';
import { useState } from 'react';
import type { Sheet } from '@orbis/core';
import { optionWords } from '@orbis/contract/language';
import { useHeard } from './heard.ts';

/** Says who changed an embed while somebody works on it, and what they did. */
export function ChangedByOthers({
  embed,
  sheet,
  both,
}: {
  embed: string;
  /** That of the embed, by which its options are called. */
  sheet: Sheet | null;
  /** The options that were changed here as well, and otherwise. */
  both: readonly string[];
}) {
  const heard = useHeard();
  // What was heard before this was opened shows in what was opened.
  const [before] = useState(heard);
  const [closed, setClosed] = useState(before);
  if (heard === null || heard === closed || !heard.things.embeds.includes(embed)) return null;
  const { by, said, undoneAt, undoneBy } = heard;
  const what = undoneAt === null ? said : `Taken back: ${said}`;
  return (
    <Alert severity="info" variant="outlined" onClose={() => setClosed(heard)} sx={{ mb: 1 }}>
      {(undoneAt === null ? by : undoneBy) ?? 'Somebody'} was here a moment ago: {what}.
      {both.length > 0 &&
        ` You have changed ${both.map((name) => `“${optionWords(name, sheet).label}”`).join(' and ')} as well: saving keeps yours.`}
    </Alert>
  );
}
