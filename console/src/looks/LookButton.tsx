import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import type { LookWidth } from '@orbis/contract/look-widths';
import { spoken } from '@orbis/contract/language';
import { refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { takeLook } from './take-look.ts';

/** Looks at a page now, and says how far it is. */
export function LookButton({
  page,
  isFirst,
  onTaken,
}: {
  page: string;
  isFirst: boolean;
  onTaken: () => void;
}) {
  const announce = useAnnounce();
  const [sendForms, setSendForms] = useState(false);
  const [width, setWidth] = useState<LookWidth | null>(null);
  const leaving = useRef(new AbortController());
  useEffect(() => () => leaving.current.abort(), []);
  const take = useMutation({
    mutationFn: () => {
      leaving.current = new AbortController();
      return takeLook(page, sendForms, { signal: leaving.current.signal, onWidth: setWidth });
    },
    onSuccess: async ({ placed }) => {
      await refresh('looks');
      onTaken();
      const wrong = placed.filter(({ findings }) => findings.length > 0).length;
      announce(
        wrong === 0
          ? 'The page was looked at: all is well.'
          : `The page was looked at: something is wrong with ${wrong === 1 ? 'one embed' : `${wrong} embeds`}.`,
      );
    },
    onSettled: () => setWidth(null),
  });
  return (
    <Box>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button variant="contained" onClick={() => take.mutate()} disabled={take.isPending}>
          {take.isPending
            ? width === null
              ? 'Looking…'
              : `Looking: ${spoken.looks.devices[width].toLowerCase()}`
            : isFirst
              ? 'Look now'
              : 'Look again'}
        </Button>
        <FormControlLabel
          control={
            <Switch
              checked={sendForms}
              disabled={take.isPending}
              onChange={({ target }) => setSendForms(target.checked)}
            />
          }
          label="Fill in forms and send them, to nobody"
        />
      </Box>
      <ProblemNote error={take.error} />
    </Box>
  );
}
