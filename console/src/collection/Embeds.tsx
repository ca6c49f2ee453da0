import Box from '@mui/material/Box';
import Paper from '@mui/material/Paper';
import type { EmbedSummary } from '@orbis/contract';
import { EmbedCard } from './EmbedCard.tsx';
import { EmbedRow } from './EmbedRow.tsx';
import type { View } from './ViewChooser.tsx';

/** Embeds of the collection, line by line or in pictures. */
export function Embeds({
  view,
  embeds,
  selected,
  onChoose,
}: {
  view: View;
  embeds: readonly EmbedSummary[];
  selected: readonly string[];
  onChoose: (key: string, on: boolean) => void;
}) {
  const each = (embed: EmbedSummary) => ({
    embed,
    chosen: selected.includes(embed.key),
    onChoose: (on: boolean) => onChoose(embed.key, on),
  });
  return view === 'list' ? (
    <Paper variant="outlined" component="ul" sx={{ m: 0, p: 0, listStyle: 'none', overflow: 'hidden' }}>
      {embeds.map((embed) => (
        <EmbedRow key={embed.key} {...each(embed)} />
      ))}
    </Paper>
  ) : (
    <Box
      component="ul"
      sx={{
        m: 0,
        p: 0,
        listStyle: 'none',
        display: 'grid',
        gridTemplateColumns: 'repeat(auto-fill, minmax(min(220px, 100%), 1fr))',
        gap: 2,
      }}
    >
      {embeds.map((embed) => (
        <EmbedCard key={embed.key} {...each(embed)} />
      ))}
    </Box>
  );
}
