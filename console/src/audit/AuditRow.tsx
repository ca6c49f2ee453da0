import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { AuditEntry } from '@orbis/contract';
import { PlainCode } from '../components/CodeRuns.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { formatWhen } from '../components/when.ts';

const meansWords: Partial<Record<AuditEntry['means'], string>> = {
  token: 'by a token',
  link: 'by a link',
  server: 'on the server’s own machine',
};

/** Something that somebody did or was refused, with how it was before and after where that is kept. */
export function AuditRow({ entry }: { entry: AuditEntry }) {
  const { at, who, means, said, thing, outcome, why, network, times, withheld } = entry;
  const isRefused = outcome === 'refused';
  return (
    <Box
      component="li"
      sx={{
        'display': 'grid',
        'gridTemplateColumns': { xs: '1fr', md: '185px 200px minmax(0, 1fr)' },
        'columnGap': 2,
        'py': 1.25,
        'borderTop': 1,
        'borderColor': 'divider',
        '&:first-of-type': { borderTop: 0, pt: 0 },
      }}
    >
      <Typography variant="body2" color="textSecondary" sx={{ fontVariantNumeric: 'tabular-nums' }}>
        {formatWhen(at)}
      </Typography>
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
          {who ?? (means === 'server' ? 'Somebody' : 'Nobody known')}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {[meansWords[means], network && `from ${network}`].filter(Boolean).join(', ')}
        </Typography>
      </Box>
      <Box sx={{ minWidth: 0 }}>
        <Typography sx={{ overflowWrap: 'anywhere' }}>
          {isRefused && (
            <Box component="strong" sx={{ color: 'warning.main' }}>
              Refused{times > 1 ? ` ${times} times` : ''}:{' '}
            </Box>
          )}
          {said}
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {[thing, why].filter((each) => each !== null).join(' · ')}
          {withheld && ' What it said was taken out with an embed that was purged.'}
        </Typography>
        {(entry.before !== null || entry.after !== null) && (
          <Disclosure label="Before and after" name={`Before and after: ${said}`}>
            <Box sx={{ display: 'grid', gap: 1, gridTemplateColumns: { md: '1fr 1fr' }, mt: 1 }}>
              <PlainCode text={textOf(entry.before)} label={`Before: ${said}`} />
              <PlainCode text={textOf(entry.after)} label={`After: ${said}`} />
            </Box>
          </Disclosure>
        )}
      </Box>
    </Box>
  );
}

const textOf = (value: unknown): string =>
  value === null || value === undefined ? 'nothing' : JSON.stringify(value, null, 2);
