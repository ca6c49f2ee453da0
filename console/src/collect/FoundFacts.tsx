import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { formatTime } from '@orbis/core';
import type { Found } from '@orbis/contract';
import { spoken, formatBytes } from '@orbis/contract/language';
import { formatWhen } from '../components/when.ts';

/** What was found out about a link, with where and when. */
export function FoundFacts({ found }: { found: Found }) {
  const { title, author, provider, type, bytes, width, height, length, ranges, how, at } = found;
  const facts = [
    provider,
    type,
    bytes === null ? null : formatBytes(bytes),
    width === null || height === null ? null : `${width} × ${height}`,
    length === null ? null : `${formatTime(Math.round(length))} long`,
  ].filter((fact) => fact !== null);
  return (
    <Box sx={{ mt: 1 }}>
      {title && (
        <Typography sx={{ fontWeight: 600 }}>
          {title}
          {author && <Box component="span" sx={{ fontWeight: 400 }}>{` by ${author}`}</Box>}
        </Typography>
      )}
      {facts.length > 0 && <Typography>{facts.join(' · ')}</Typography>}
      {ranges === false && (
        <Typography color="warning">
          Its host does not answer in ranges: nobody can jump to a place in it.
        </Typography>
      )}
      <Typography variant="body2" color="textSecondary">
        Found {spoken.foundBy[how]}, {formatWhen(at)}.
      </Typography>
    </Box>
  );
}
