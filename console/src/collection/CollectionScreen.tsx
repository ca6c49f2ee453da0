import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useDeferredValue, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { kinds } from '@orbis/core';
import { useList } from '../api.ts';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { Embeds } from './Embeds.tsx';
import { Filter, levels } from './Filter.tsx';
import { TakePictures } from './TakePictures.tsx';
import { ViewChooser } from './ViewChooser.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** Everything that was collected, to search and to reuse. */
export default function CollectionScreen() {
  const [search, setSearch] = useSearchParams();
  const q = useDeferredValue(search.get('q') ?? '');
  const kind = kinds.find((known) => known === search.get('kind'));
  const level = levels.find(([known]) => known === search.get('level'))?.[0];
  const list = useList('embeds.list', { where: q.trim() || undefined, kind, level });
  const [selected, setSelected] = useState<readonly string[]>([]);
  const chosen = selected.length > 0 ? `key=${selected.join(',')}` : searchOf(q, kind, level);
  const view = search.get('view') === 'pictures' ? 'pictures' : 'list';
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
        <IfMay call="changes.create">
          <Button component={Link} to={`/changes?where=${encodeURIComponent(chosen)}`}>
            {selected.length > 0 ? `Change ${selected.length} at once` : 'Change all of these at once'}
          </Button>
        </IfMay>
        <IfMay call="embeds.create">
          <Button variant="contained" component={Link} to="/collect">
            Collect another
          </Button>
        </IfMay>
      </ScreenHead>
      <Filter q={search.get('q') ?? ''} kind={kind} level={level} onChange={change} />
      <ProblemNote error={list.error} />
      {list.isPending && <Waiting />}
      {list.data && list.items.length === 0 && <NothingHere isSearched={Boolean(q || kind || level)} />}
      {list.items.length > 0 && (
        <>
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap', mb: 1.5 }}>
            <ViewChooser view={view} onChange={(next) => change('view', next === 'list' ? '' : next)} />
            <IfMay call="embeds.photograph">
              <TakePictures embeds={list.items} />
            </IfMay>
          </Box>
          <Embeds
            view={view}
            embeds={list.items}
            selected={selected}
            onChoose={(key, on) =>
              setSelected((now) => (on ? [...now, key] : now.filter((other) => other !== key)))
            }
          />
        </>
      )}
      <More list={list} />
    </>
  );
}

/* All that the filter finds, in the words of a search. */
function searchOf(q: string, kind: string | undefined, level: string | undefined): string {
  const words = q.trim();
  return [
    words && (kind || level) ? `(${words})` : words,
    kind ? `kind=${kind}` : '',
    level ? `level=${level}` : '',
  ]
    .filter(Boolean)
    .join(' ');
}

const NothingHere = ({ isSearched }: { isSearched: boolean }) =>
  isSearched ? (
    <Empty title="Nothing fits that">Take a word or the kind out of the search.</Empty>
  ) : (
    <Empty title="The collection is empty">
      <Link to="/collect">Paste the first code or link</Link> that a provider gave you, or{' '}
      <Link to="/harvests">harvest a page</Link> that has embeds on it already.
    </Empty>
  );
