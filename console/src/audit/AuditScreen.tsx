import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useSearchParams } from 'react-router';
import { useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { useDebounced } from '../components/useDebounced.ts';
import { Waiting } from '../components/Waiting.tsx';
import { AuditFilter } from './AuditFilter.tsx';
import { AuditRow } from './AuditRow.tsx';
import { CheckChain } from './CheckChain.tsx';

/** Who did what or was refused, from where; searched, taken out, and held against its chain. */
export default function AuditScreen() {
  const [search, setSearch] = useSearchParams();
  const [person, outcome] = [search.get('person') ?? '', search.get('outcome') ?? ''];
  const thing = useDebounced(search.get('thing')?.trim() || undefined, 300);
  const list = useList('audit.list', {
    limit: 50,
    ...(person !== '' && { person }),
    ...((outcome === 'done' || outcome === 'refused') && { outcome }),
    ...(thing !== undefined && { thing }),
  });
  const set = (name: string, value: string): void =>
    setSearch(
      (old) => {
        const next = new URLSearchParams(old);
        if (value === '') next.delete(name);
        else next.set(name, value);
        return next;
      },
      { replace: true },
    );
  return (
    <>
      <ScreenHead
        title="Audit log"
        lead="Who did what, or was refused, and from where. Nothing here is ever changed: each entry holds the hash of the one before it."
      >
        <Button variant="outlined" component="a" href="/api/v1/audit.ndjson" download>
          Take it out
        </Button>
      </ScreenHead>
      <CheckChain />
      <AuditFilter search={search} set={set} />
      <ProblemNote error={list.error} />
      {list.isPending && <Waiting />}
      {list.data && list.items.length === 0 && (
        <Empty title="Nothing is like that">Take a word out of the search.</Empty>
      )}
      {list.items.length > 0 && (
        <Card>
          <Box component="ol" reversed sx={{ m: 0, p: 0, listStyle: 'none' }}>
            {list.items.map((entry) => (
              <AuditRow key={`${entry.at} ${entry.number} ${entry.act}`} entry={entry} />
            ))}
          </Box>
        </Card>
      )}
      <More list={list} />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
        Addresses are kept without their ends, and nothing of the visitors of your sites.
      </Typography>
    </>
  );
}
