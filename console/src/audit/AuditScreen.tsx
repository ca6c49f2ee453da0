import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
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
import { AuditRow } from './AuditRow.tsx';
import { CheckChain } from './CheckChain.tsx';

const outcomes = [
  ['', 'Done and refused'],
  ['done', 'Done'],
  ['refused', 'Refused'],
] as const;

/** Who did what or was refused, from where; searched, taken out, and held against its chain. */
export default function AuditScreen() {
  const [search, setSearch] = useSearchParams();
  const [person, outcome] = [search.get('person') ?? '', search.get('outcome') ?? ''];
  const thing = useDebounced(search.get('thing')?.trim() || undefined, 300);
  const people = useList('people.list', { limit: 200 });
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
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', mb: 3 }}>
        <TextField
          select
          label="Who"
          value={people.items.some(({ id }) => id === person) ? person : ''}
          onChange={({ target }) => set('person', target.value)}
          sx={{ width: { xs: '100%', sm: 220 } }}
        >
          <MenuItem value="">Everybody</MenuItem>
          {people.items.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          label="Outcome"
          value={outcomes.some(([each]) => each === outcome) ? outcome : ''}
          onChange={({ target }) => set('outcome', target.value)}
          slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
          sx={{ width: { xs: '100%', sm: 200 } }}
        >
          {outcomes.map(([value, label]) => (
            <MenuItem key={value} value={value}>
              {label}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Done to"
          placeholder="hollinfell/talks"
          value={search.get('thing') ?? ''}
          onChange={({ target }) => set('thing', target.value)}
          sx={{ flex: '1 1 200px' }}
        />
      </Box>
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
