import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { isAmong } from '@orbis/core';
import type { ContactsSeen } from '@orbis/contract';
import { formatUses } from '@orbis/contract/language';

/** The hosts that an embed was seen to contact, with a button that lets it contact only these. */
export function FoundContacts({
  contacted,
  words,
  known,
  areFixed,
  onFix,
}: {
  contacted: ContactsSeen['contacted'];
  words: { found: string; nobody: string };
  /** The hosts that it may contact, or that its code names. */
  known: readonly string[];
  areFixed: boolean;
  onFix: (hosts: readonly string[]) => void;
}) {
  if (contacted.length === 0) return <Typography variant="body2">{words.nobody}</Typography>;
  return (
    <Box aria-live="polite">
      <Typography variant="body2">{words.found}</Typography>
      <Box component="ul" sx={{ m: 0, mb: 1, pl: 2.5 }}>
        {contacted.map(({ host, uses, afterClick }) => (
          <Typography key={host} component="li" variant="body2" data-contact={host}>
            {host}
            <Typography component="span" variant="body2" color="textSecondary">
              {` for ${formatUses(uses)}${afterClick ? ', after a click' : ''}${isAmong(host, known) ? '' : ', not named before'}`}
            </Typography>
          </Typography>
        ))}
      </Box>
      {(!areFixed || contacted.some(({ host }) => !isAmong(host, known))) && (
        <Button variant="outlined" onClick={() => onFix(contacted.map(({ host }) => host))}>
          Let it contact only these
        </Button>
      )}
    </Box>
  );
}
