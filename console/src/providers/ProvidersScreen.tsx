import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Provider } from '@orbis/contract';
import { mostCounted } from '@orbis/contract/counting';
import { plural } from '@orbis/contract/language';
import { Link } from 'react-router';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { optionWords, spoken } from '@orbis/contract/language';
import { Endpoints } from './Endpoints.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** What Orbis knows of providers: their sheets. */
export default function ProvidersScreen() {
  const list = useList('providers.list', {});
  const own = list.items.filter(({ from }) => from !== 'built-in');
  const builtIn = list.items.filter(({ from }) => from === 'built-in');
  return (
    <>
      <ScreenHead
        title="Providers"
        lead="A provider’s sheet says how its links and codes look, and where each setting goes in them. Sheets are files: bring your own, or change a copy of another."
      >
        <IfMay call="providers.learn">
          <Button variant="contained" component={Link} to="/providers/learn">
            Learn a provider
          </Button>
        </IfMay>
        <IfMay call="hosts.list">
          <Button variant="outlined" component={Link} to="/hosts">
            How they answer
          </Button>
        </IfMay>
        <IfMay call="providers.save">
          <Button variant="outlined" component={Link} to="/providers/new">
            Bring a sheet
          </Button>
        </IfMay>
      </ScreenHead>
      <ProblemNote error={list.error} />
      {list.isPending && <Waiting />}
      <Box sx={{ display: 'grid', gap: 3 }}>
        {own.length > 0 && (
          <Card title="Your own">
            <SheetList items={own} />
          </Card>
        )}
        {builtIn.length > 0 && (
          <Card title="Built in">
            <SheetList items={builtIn} />
          </Card>
        )}
        <Card title="Who answers about links">
          <IfMay call="endpoints.import">
            <Endpoints />
          </IfMay>
        </Card>
      </Box>
    </>
  );
}

function SheetList({ items }: { items: readonly Provider[] }) {
  return (
    <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
      {items.map(({ id, from, embeds, sheet }) => (
        <Box
          component="li"
          key={id}
          sx={{
            'display': 'grid',
            'gridTemplateColumns': { xs: '1fr', md: '220px 120px minmax(0,1fr) 110px' },
            'columnGap': 2,
            'alignItems': 'baseline',
            'py': 1.25,
            'borderTop': 1,
            'borderColor': 'divider',
            '&:first-of-type': { borderTop: 0 },
          }}
        >
          <Typography sx={{ fontWeight: 600 }}>
            <Link to={`/providers/${id}`}>{sheet.name}</Link>
          </Typography>
          <Typography color="textSecondary">{sheet.kind}</Typography>
          <Typography variant="body2" color="textSecondary">
            {[...Object.keys(sheet.settings), ...Object.keys(sheet.options ?? {})]
              .map((name) => optionWords(name, sheet).label)
              .join(' · ') || 'no settings of its own'}
            {from === 'override' && ` (${spoken.sheetOrigins[from]})`}
          </Typography>
          <Typography
            variant="body2"
            color="textSecondary"
            sx={{ textAlign: { md: 'right' }, fontVariantNumeric: 'tabular-nums' }}
          >
            {embeds === 0
              ? ''
              : embeds < mostCounted
                ? plural(embeds, 'embed')
                : `${mostCounted} embeds or more`}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
