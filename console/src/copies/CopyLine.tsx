import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Copy } from '@orbis/contract';
import { capital, formatBytes, spoken } from '@orbis/contract/language';
import { formatWhen } from '../components/when.ts';

/** A safety copy: of when it is, what came of it, what it holds, and where it is. */
export const CopyLine = ({ copy }: { copy: Copy }) => (
  <Box
    component="li"
    sx={{
      'display': 'grid',
      'gridTemplateColumns': { xs: '1fr', sm: '210px 1fr auto' },
      'columnGap': 2,
      'py': 1.25,
      'borderTop': 1,
      'borderColor': 'divider',
      '&:first-of-type': { borderTop: 0, pt: 0 },
    }}
  >
    <Box>
      <Typography sx={{ fontWeight: 600 }}>{formatWhen(copy.madeAt ?? copy.createdAt)}</Typography>
      {copy.createdBy !== null && (
        <Typography variant="body2" color="textSecondary">
          asked for by {copy.createdBy}
        </Typography>
      )}
    </Box>
    <Box sx={{ minWidth: 0 }}>
      <Typography color={copy.state === 'failed' ? 'error' : undefined}>
        {capital(spoken.copies.states[copy.state])}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
        {copy.why ?? copy.file}
      </Typography>
    </Box>
    <Typography variant="body2" color="textSecondary" sx={{ textAlign: { sm: 'right' } }}>
      {copy.bytes !== null && formatBytes(copy.bytes)}
      {copy.rows !== null && (
        <>
          <br />
          {spoken.copies.holds({ rows: copy.rows, files: copy.files ?? 0 })}
        </>
      )}
    </Typography>
  </Box>
);
