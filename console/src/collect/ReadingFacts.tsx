import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import type { Reading } from '@orbis/contract';
import { capital, formatKind } from '@orbis/contract/language';
import { Findings } from '../components/Findings.tsx';

const needWords: Record<keyof Reading['needs'], string> = {
  scripts: 'to run a script',
  forms: 'to send a form',
  popups: 'to open a window',
  storage: 'to keep data in the visitor’s browser',
  autoplay: 'to play by itself',
  fullscreen: 'to fill the screen',
};

/** A reading in plain words: what it is, from whom, how large, whom it contacts, what it needs. */
export function ReadingFacts({ reading, onMend }: { reading: Reading; onMend?: (rule: string) => void }) {
  const { size } = reading;
  const needs = (Object.keys(needWords) as (keyof Reading['needs'])[])
    .filter((need) => reading.needs[need])
    .map((need) => needWords[need]);
  const facts: [string, string][] = [
    ['What it is', `${capital(formatKind(reading.kind, null))}. ${reading.kindBecause}`],
    ['From', reading.provider?.name ?? 'a provider that Orbis has no sheet for'],
    ['Size', formatSize(size)],
    [
      'Contacts',
      reading.hosts
        .map(
          (h) =>
            `${h.host} ${h.when === 'load' ? 'as soon as the page is open' : 'only when somebody uses it'}`,
        )
        .join('; ') || 'nobody',
    ],
    ['Needs', needs.join(', ') || 'nothing that its code would show'],
  ];
  return (
    <Stack spacing={2}>
      <Findings findings={reading.findings} {...(onMend ? { onMend } : {})} />
      {reading.findings.length === 0 && reading.input !== 'text' && (
        <Typography color="success">Nothing is wrong with it.</Typography>
      )}
      <Box
        component="dl"
        sx={{
          'm': 0,
          'display': 'grid',
          'gridTemplateColumns': { xs: '1fr', sm: '110px 1fr' },
          'columnGap': 2,
          'rowGap': { xs: 0, sm: 1 },
          '& dt': { color: 'text.secondary', mt: { xs: 1, sm: 0 } },
          '& dd': { m: 0, overflowWrap: 'anywhere' },
        }}
      >
        {facts.map(([name, value]) => [<dt key={name}>{name}</dt>, <dd key={`${name} value`}>{value}</dd>])}
      </Box>
    </Stack>
  );
}

function formatSize({ width, height, ratio }: Reading['size']): string {
  if (width || height) return `${side(width)} wide, ${side(height)} high`;
  return ratio === null ? 'not stated in the code' : `as wide as its place, ${ratio} times as wide as high`;
}

const side = (length: { value: number; unit: string } | null): string =>
  length ? `${length.value} ${length.unit}` : 'as it comes';
