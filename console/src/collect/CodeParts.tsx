import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Reading } from '@orbis/contract';
import { capital, spoken } from '@orbis/contract/language';
import type { Role } from '@orbis/core';
import { mono } from '../theme.ts';

/* Hues for the roles, far enough apart to be told from each other; text and remarks have none. */
const hues: Partial<Record<Role, number>> = {
  frame: 300,
  media: 300,
  mount: 265,
  loader: 35,
  setup: 55,
  style: 95,
  form: 165,
  image: 200,
  link: 220,
  fallback: 0,
  wrapper: 130,
};
const tint = (role: Role): string | undefined =>
  hues[role] === undefined ? undefined : `hsl(${hues[role]} 45% 50% / 0.2)`;

/** A code with its parts in colour, and the list of them in plain words. */
export function CodeParts({ text, reading }: { text: string; reading: Reading }) {
  const numbered = reading.parts
    .map((part, index) => ({ ...part, index }))
    .filter((part) => hues[part.role] !== undefined);
  if (numbered.length === 0) return null;
  return (
    <div>
      <Box
        component="pre"
        tabIndex={0}
        aria-label="The code with its parts in colour"
        sx={{
          m: 0,
          p: 2,
          fontFamily: mono,
          fontSize: 13.5,
          lineHeight: 1.7,
          whiteSpace: 'pre-wrap',
          overflowWrap: 'anywhere',
          bgcolor: 'background.default',
          borderRadius: 1,
          maxHeight: 260,
          overflow: 'auto',
        }}
      >
        {segments(text, reading).map(({ start, end, part }) => (
          <Box key={start} component="span" sx={{ bgcolor: part && tint(part.role), borderRadius: 0.5 }}>
            {text.slice(start, end)}
          </Box>
        ))}
      </Box>
      <Box component="ul" sx={{ m: 0, mt: 1.5, p: 0, listStyle: 'none' }}>
        {numbered.map((part) => (
          <Box
            component="li"
            key={part.index}
            sx={{
              display: 'flex',
              gap: 1.25,
              alignItems: 'baseline',
              py: 0.4,
              pl: part.inside === null ? 0 : 3,
            }}
          >
            <Box
              aria-hidden
              sx={{
                width: 14,
                height: 14,
                flex: 'none',
                borderRadius: 0.5,
                alignSelf: 'center',
                bgcolor: tint(part.role)?.replace('0.2', '0.75'),
              }}
            />
            <Typography component="span">
              {capital(spoken.roles[part.role])}
              <Typography component="span" color="textSecondary">
                {' '}
                – {part.repeat === 'page' ? 'needed once a page' : 'needed at every place'}
                {part.place === 'head' ? ', in the head of the page' : ''}
              </Typography>
            </Typography>
          </Box>
        ))}
      </Box>
    </div>
  );
}

/* The text cut where a part begins or ends, each piece with the innermost part that holds it. */
function segments(
  text: string,
  { parts }: Reading,
): { start: number; end: number; part: Reading['parts'][number] | null }[] {
  const cuts = [...new Set([0, text.length, ...parts.flatMap((part) => [part.start, part.end])])]
    .filter((cut) => cut <= text.length)
    .sort((a, b) => a - b);
  return cuts.slice(0, -1).map((start, i) => ({
    start,
    end: cuts[i + 1]!,
    part: parts.findLast((part) => part.start <= start && part.end > start) ?? null,
  }));
}
