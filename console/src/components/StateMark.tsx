import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import type { PlacementState } from '@orbis/contract';
import { spoken, formatState } from '@orbis/contract/language';

const colours: Record<PlacementState, string> = {
  'planned': 'text.secondary',
  'live': 'success.main',
  'altered': 'warning.main',
  'out-of-date': 'warning.main',
  'missing': 'error.main',
  'unreachable': 'error.main',
  'paused': 'text.secondary',
};

/** A placement's state: a dot and a word, with what it means on demand. */
export function StateMark({ state }: { state: PlacementState }) {
  return (
    <Tooltip title={spoken.states[state]}>
      <Box
        component="span"
        sx={{
          display: 'inline-flex',
          alignItems: 'center',
          gap: 1,
          color: colours[state],
          fontWeight: 600,
          whiteSpace: 'nowrap',
        }}
      >
        <Box
          component="span"
          aria-hidden
          sx={{
            width: 9,
            height: 9,
            borderRadius: '50%',
            bgcolor: state === 'planned' || state === 'paused' ? 'transparent' : 'currentcolor',
            border: '2px solid',
            borderColor: 'currentcolor',
          }}
        />
        {formatState(state)}
      </Box>
    </Tooltip>
  );
}
