import { plural } from '@orbis/contract/language';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import MenuItem from '@mui/material/MenuItem';
import Paper from '@mui/material/Paper';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { kinds } from '@orbis/core';
import { useList } from '../api.ts';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';

const levels = [
  ['error', 'Needs mending'],
  ['warning', 'Will disappoint somebody'],
  ['note', 'Worth knowing'],
] as const;

/** Everything that was collected, to search and to reuse. */
export default function CollectionScreen() {
  const [search, setSearch] = useSearchParams();
  const q = useDeferredValue(search.get('q') ?? '');
  const kind = kinds.find((known) => known === search.get('kind'));
  const level = levels.find(([known]) => known === search.get('level'))?.[0];
  const list = useList('embeds.list', { where: q.trim() || undefined, kind, level });
  const [selected, setSelected] = useState<readonly string[]>([]);
  /* The ones that are ticked, else all that the search finds, in the words of the search. */
  const chosen =
    selected.length > 0
      ? `key=${selected.join(',')}`
      : [
          q.trim() && (kind || level) ? `(${q.trim()})` : q.trim(),
          kind ? `kind=${kind}` : '',
          level ? `level=${level}` : '',
        ]
          .filter(Boolean)
          .join(' ');
  const change = (name: string, value: string): void =>
    setSearch(
      (now) => {
        if (value) now.set(name, value);
        else now.delete(name);
        return now;
      },
      { replace: true },
    );
  return (
    <>
      <ScreenHead title="Collection" lead="Every embed, with its codes kept as they were pasted.">
        <Button component={Link} to={`/changes?where=${encodeURIComponent(chosen)}`}>
          {selected.length > 0 ? `Change ${selected.length} at once` : 'Change all of these at once'}
        </Button>
        <Button variant="contained" component={Link} to="/">
          Collect another
        </Button>
      </ScreenHead>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 180px 200px' }, gap: 2, mb: 3 }}>
        <TextField
          label="Search"
          value={search.get('q') ?? ''}
          onChange={(e) => change('q', e.target.value)}
          placeholder="a word, or tag=talks placed=no"
          helperText="Words in name, notes or tags; or field=value, with “or”, brackets, and “-” for not."
        />
        <TextField
          label="Kind"
          select
          value={kind ?? ''}
          onChange={(e) => change('kind', e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">Every kind</MenuItem>
          {kinds.map((known) => (
            <MenuItem key={known} value={known}>
              {known}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          label="Findings"
          select
          value={level ?? ''}
          onChange={(e) => change('level', e.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
        >
          <MenuItem value="">Any or none</MenuItem>
          {levels.map(([known, label]) => (
            <MenuItem key={known} value={known}>
              {label}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <ProblemNote error={list.error} />
      {list.isPending && <Waiting />}
      {list.data &&
        list.items.length === 0 &&
        (q || kind || level ? (
          <Empty title="Nothing is like that">Take a word or the kind out of the search.</Empty>
        ) : (
          <Empty title="The collection is empty">
            <Link to="/">Paste the first code or link</Link> that a provider gave you, or{' '}
            <Link to="/harvests">harvest a page</Link> that has embeds on it already.
          </Empty>
        ))}
      {list.items.length > 0 && (
        <Paper variant="outlined" component="ul" sx={{ m: 0, p: 0, listStyle: 'none', overflow: 'hidden' }}>
          {list.items.map((embed) => (
            <Box
              component="li"
              key={embed.key}
              sx={{
                'display': 'flex',
                'alignItems': 'center',
                '&:not(:last-child)': { borderBottom: 1, borderColor: 'divider' },
              }}
            >
              <Checkbox
                size="small"
                checked={selected.includes(embed.key)}
                onChange={(_, on) =>
                  setSelected((now) => (on ? [...now, embed.key] : now.filter((key) => key !== embed.key)))
                }
                slotProps={{ input: { 'aria-label': `Choose ${embed.name}` } }}
                sx={{ ml: 0.5 }}
              />
              <Box
                component={Link}
                to={`/collection/${embed.key}`}
                sx={{
                  'display': 'grid',
                  'gridTemplateColumns': { xs: '1fr auto', md: 'minmax(0,2.2fr) 1fr 1fr 1.4fr' },
                  'flex': 1,
                  'minWidth': 0,
                  'columnGap': 3,
                  'alignItems': 'baseline',
                  'pl': 0.5,
                  'pr': { xs: 2, sm: 3 },
                  'py': 1.75,
                  'textDecoration': 'none',
                  'color': 'text.primary',
                  '&:hover': { bgcolor: 'action.hover' },
                }}
              >
                <Box sx={{ minWidth: 0 }}>
                  <Typography component="span" sx={{ fontWeight: 700 }}>
                    {embed.name}
                  </Typography>
                  {embed.retired && (
                    <Typography component="span" color="textSecondary">
                      {' '}
                      (retired)
                    </Typography>
                  )}
                  {embed.level === 'error' && (
                    <Typography component="span" color="error">
                      {' '}
                      needs mending
                    </Typography>
                  )}
                </Box>
                <Typography component="span" color="textSecondary">
                  {embed.kind}
                </Typography>
                <Typography component="span" color="textSecondary" sx={{ gridColumn: { xs: 1, md: 'auto' } }}>
                  {embed.placements === 0
                    ? 'not placed'
                    : `placed ${embed.placements === 1 ? 'once' : plural(embed.placements, 'time')}`}
                </Typography>
                <Typography
                  component="span"
                  color="textSecondary"
                  noWrap
                  sx={{ gridColumn: { xs: 1, md: 'auto' } }}
                >
                  {embed.tags.join(', ')}
                </Typography>
              </Box>
            </Box>
          ))}
        </Paper>
      )}
      <More list={list} />
    </>
  );
}
