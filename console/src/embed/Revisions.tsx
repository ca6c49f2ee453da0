import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { sayWishes, type Embed, type ParsedWishes } from '@orbis/contract';
import { useList } from '../api.ts';
import { More } from '../parts/More.tsx';
import { sayWhen } from '../parts/when.ts';

/** Every state that the embed was saved in; an old one can be taken into the form again. */
export function Revisions({ embed, onTake }: { embed: Embed; onTake: (wishes: ParsedWishes, number: number) => void }) {
  const list = useList('revisions.list', {}, { embed: embed.key });
  return (
    <>
      <Box component="ol" reversed sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {list.items.map((revision) => (
          <Box
            component="li"
            key={revision.number}
            sx={{ 'display': 'flex', 'gap': 2, 'alignItems': 'baseline', 'py': 1, '&:not(:last-child)': { borderBottom: 1, borderColor: 'divider' } }}
          >
            <Typography sx={{ fontWeight: 700, minWidth: 24, textAlign: 'right' }}>{revision.number}</Typography>
            <Box sx={{ flex: 1, minWidth: 0 }}>
              <Typography sx={{ overflowWrap: 'anywhere' }}>
                {sayWishes(revision)
                  .map(({ name, value }) => `${name} ${value}`)
                  .join(', ') || 'as it was pasted'}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {sayWhen(revision.createdAt)}
              </Typography>
            </Box>
            {revision.number === embed.revision ? (
              <Typography variant="body2" color="textSecondary">
                newest
              </Typography>
            ) : (
              <Button size="small" onClick={() => onTake({ settings: revision.settings, dress: revision.dress }, revision.number)}>
                Take again
              </Button>
            )}
          </Box>
        ))}
      </Box>
      <More list={list} />
    </>
  );
}
