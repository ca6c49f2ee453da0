import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ComponentProps } from 'react';
import { Link, useSearchParams } from 'react-router';
import { mostWaiting } from '@orbis/contract/counting';
import { plural } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { useDebounced } from '../components/useDebounced.ts';
import { Waiting } from '../components/Waiting.tsx';
import { MakeList } from '../lists/MakeList.tsx';
import { stateIn } from './known-states.ts';
import { Placements } from './Placements.tsx';
import { RegisterFilter } from './RegisterFilter.tsx';
import { SavedSearches } from './SavedSearches.tsx';
import { searchWords } from './search-words.ts';
import { ShownAsChoice } from './ShownAsChoice.tsx';
import { useShownAs } from './use-shown-as.ts';
import { IfMay } from '../components/IfMay.tsx';

/** Where everything is, checked against the published pages. */
export default function RegisterScreen() {
  const [search, setSearch] = useSearchParams();
  const state = stateIn(search);
  const { as } = useShownAs(search);
  const site = search.get('site') ?? undefined;
  const host = useDebounced(search.get('host')?.trim() || undefined, 300);
  const list = useList('placements.list', { state, site, host }, {}, ({ waiting }) => waiting > 0 && 2000);
  const isNarrow = [state, site, host].some((each) => each !== undefined);
  const waiting = list.last?.waiting ?? 0;
  return (
    <>
      <ScreenHead
        title="Register"
        lead="Where each embed is, in which revision, and when it was last seen there. Live means: its page was read, and the code was found."
      >
        <Button component={Link} to="/third-parties" variant="outlined" size="small">
          Third parties
        </Button>
        <IfMay call="terms.list">
          <Button component={Link} to="/terms" variant="outlined" size="small">
            Costs and terms
          </Button>
        </IfMay>
      </ScreenHead>
      <RegisterFilter search={search} setSearch={setSearch} />
      <SavedSearches key={searchWords(search)} search={search} />
      {list.items.length > 0 && <Bar search={search} setSearch={setSearch} />}
      <ProblemNote error={list.error} />
      {waiting > 0 && (
        <Typography role="status" color="textSecondary" sx={{ mb: 2 }}>
          Something was changed: Orbis is still working out for{' '}
          {waiting < mostWaiting ? plural(waiting, 'place') : `${mostWaiting} places or more`} whether they
          carry what they should.
        </Typography>
      )}
      {list.isPending && <Waiting />}
      {list.data && list.items.length === 0 && (
        <Empty title={isNarrow ? 'Nothing is like that' : 'Nothing is placed yet'}>
          {isNarrow ? (
            'That may be good news.'
          ) : (
            <>
              Open an embed of the <Link to="/collection">collection</Link> and place it in a spot.
            </>
          )}
        </Empty>
      )}
      {list.items.length > 0 && <Placements placements={list.items} as={as} />}
      <More list={list} />
    </>
  );
}

/* What is done with all that is shown, and how it is shown. */
function Bar({ search, setSearch }: ComponentProps<typeof RegisterFilter>) {
  const { as, isChoice } = useShownAs(search);
  return (
    <Box sx={{ mb: 2, display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'flex-start' }}>
      <Box sx={{ flex: '1 1 300px' }}>
        <IfMay call="changeLists.create">
          <MakeList key={searchWords(search)} search={search} />
        </IfMay>
      </Box>
      {isChoice && <ShownAsChoice as={as} search={search} setSearch={setSearch} />}
    </Box>
  );
}
