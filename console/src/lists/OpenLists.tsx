import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import { plural } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';

/** The change lists, each with how far it is; nothing where there is none. */
export function OpenLists() {
  const lists = useList('changeLists.list', { limit: 20 });
  if (lists.items.length === 0) return null;
  return (
    <Card title="Change lists">
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {lists.items.map(({ id, name, pages, ticked }) => (
          <Box
            component="li"
            key={id}
            sx={{ display: 'flex', justifyContent: 'space-between', gap: 2, flexWrap: 'wrap', py: 0.5 }}
          >
            <Link to={`/lists/${id}`}>{name}</Link>
            <Typography color="textSecondary" sx={{ fontVariantNumeric: 'tabular-nums' }}>
              {ticked} of {plural(pages, 'page')} ticked
            </Typography>
          </Box>
        ))}
      </Box>
      <More list={lists} />
    </Card>
  );
}
