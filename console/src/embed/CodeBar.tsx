import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Collapse from '@mui/material/Collapse';
import ExpandIcon from '@mui/icons-material/ExpandLess';
import Paper from '@mui/material/Paper';
import Typography from '@mui/material/Typography';
import type { UseQueryResult } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { plural } from '@orbis/contract/language';
import { CopyButton } from '../components/CopyButton.tsx';
import { Findings } from '../components/Findings.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Changes } from './Changes.tsx';
import type { Composed } from './useComposition.ts';

/** The code to copy, in one line until one wants to see it with its changes and their reasons. */
export function CodeBar({
  composition,
  copyLabel,
}: {
  composition: UseQueryResult<Composed>;
  /** What the button for copying it says; none where it is not copied here. */
  copyLabel?: string;
}) {
  const [open, setOpen] = useState(false);
  const panel = useId();
  const { data, error } = composition;
  const changes = data?.edits.length ?? 0;
  return (
    <Paper
      component="section"
      variant="outlined"
      aria-label="The code"
      sx={{ px: { xs: 2, sm: 3 }, py: 1, minWidth: 0 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, flexWrap: 'wrap' }}>
        <Button
          aria-expanded={open}
          aria-controls={panel}
          onClick={() => setOpen(!open)}
          startIcon={<ExpandIcon sx={{ transform: open ? 'rotate(180deg)' : 'none' }} />}
          sx={{ ml: -1 }}
        >
          {open ? 'Hide the code' : 'Show the code'}
        </Button>
        <Typography variant="body2" color="textSecondary" sx={{ flex: 1, minWidth: 120 }}>
          {data && (changes === 0 ? 'Exactly as it was pasted' : plural(changes, 'change'))}
        </Typography>
        {data && copyLabel !== undefined && <CopyButton text={data.text} label={copyLabel} />}
      </Box>
      <ProblemNote error={error} />
      <Collapse in={open} id={panel} timeout={0} unmountOnExit>
        <Box
          sx={{ maxHeight: { lg: '38vh' }, overflow: 'auto', pt: 1, pb: 1.5 }}
          tabIndex={0}
          role="group"
          aria-label="The code with its changes"
        >
          {data && <Findings findings={data.editor.map((told) => ({ rule: 'editor', ...told }))} />}
          {data && <Changes composition={data} />}
        </Box>
      </Collapse>
    </Paper>
  );
}
