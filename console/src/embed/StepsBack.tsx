import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import RedoIcon from '@mui/icons-material/Redo';
import Tooltip from '@mui/material/Tooltip';
import UndoIcon from '@mui/icons-material/Undo';
import { useEffect, type ReactNode } from 'react';
import type { ComposedDraft } from './composed-draft.ts';

/** Takes the steps of a draft back one by one, and again, by buttons and by keys. */
export function StepsBack({ work: { undo, redo } }: { work: Pick<ComposedDraft, 'undo' | 'redo'> }) {
  useUndoKeys(undo, redo);
  return (
    <Box sx={{ display: 'flex', flex: 'none' }}>
      <StepButton label="Undo" keys="Ctrl+Z" act={undo} icon={<UndoIcon />} />
      <StepButton label="Redo" keys="Ctrl+Shift+Z" act={redo} icon={<RedoIcon />} />
    </Box>
  );
}

const StepButton = ({
  label,
  keys,
  act,
  icon,
}: {
  label: string;
  keys: string;
  act: (() => void) | null;
  icon: ReactNode;
}) => (
  <Tooltip title={`${label} (${keys})`}>
    <span>
      <IconButton aria-label={label} disabled={act === null} onClick={() => act?.()}>
        {icon}
      </IconButton>
    </span>
  </Tooltip>
);

/* In a field of words the keys are the browser’s own; a box that is ticked is none. */
const fieldsOfWords = 'textarea,input:not([type=checkbox],[type=radio],[type=range],[type=color])';
function useUndoKeys(undo: (() => void) | null, redo: (() => void) | null): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const isIn = event.target instanceof Element && event.target.closest(fieldsOfWords) !== null;
      if (isIn || event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey)) return;
      const act = event.shiftKey ? redo : undo;
      if (!act) return;
      event.preventDefault();
      act();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [undo, redo]);
}
