import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import TextField from '@mui/material/TextField';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useSearchParams } from 'react-router';
import type { Attention, FindingList, KeptFinding } from '@orbis/contract';
import { mostFindingsCounted } from '@orbis/contract/counting';
import { plural } from '@orbis/contract/language';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { WhatToDo } from './WhatToDo.tsx';
import { Decide } from './Decide.tsx';
import { FindingRow } from './FindingRow.tsx';
import { IfMay } from '../components/IfMay.tsx';

const tabs: Readonly<Record<FindingList, string>> = {
  open: 'To look at',
  later: 'Waiting',
  muted: 'Not told again',
  solved: 'Solved',
};

const nothing: Readonly<Record<FindingList, [title: string, says: string]>> = {
  open: ['Nothing wants attention', 'What sweeps find on your pages is told here, the worst first.'],
  later: ['Nothing waits', 'What you want to be told of later stands here until its day.'],
  muted: ['Nothing is left out', 'What is not to be told again stands here, with your reason.'],
  solved: ['Nothing has been solved yet', 'What has been found and is gone again stands here.'],
};

/** All that wants attention, the worst first, each with what to do. */
export default function AttentionScreen() {
  const [search, setSearch] = useSearchParams();
  const asked = search.get('list') as FindingList | null;
  const list = asked !== null && asked in tabs ? asked : 'open';
  const [site, rule] = [search.get('site') ?? '', search.get('rule') ?? ''];
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
  const counts = useQuery({
    queryKey: ['findings', 'counts'],
    queryFn: async () => (await api.call('findings.count', { query: {} })).data,
  });
  const found = useList('findings.list', {
    list,
    limit: 30,
    ...(site !== '' && { site }),
    ...(rule !== '' && { rule }),
  });
  return (
    <>
      <ScreenHead title="Attention" lead={counts.data ? leadOf(counts.data) : ''}>
        <Button component={Link} to="/news">
          How you hear of it
        </Button>
        <IfMay call="findings.decide">{list === 'open' && <SeenAll shown={found.items} />}</IfMay>
      </ScreenHead>
      <ProblemNote error={found.error ?? counts.error} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'center', mb: 3 }}>
        <Tabs
          value={list}
          onChange={(_, value: FindingList) => set('list', value === 'open' ? '' : value)}
          variant="scrollable"
          aria-label="Which findings"
          sx={{ flex: 1, minWidth: 0 }}
        >
          {Object.entries(tabs).map(([value, label]) => (
            <Tab key={value} value={value} label={label} />
          ))}
        </Tabs>
        {counts.data && <Filters counts={counts.data} site={site} rule={rule} onSet={set} />}
      </Box>
      {found.data && found.items.length === 0 ? (
        <Empty title={nothing[list][0]}>{nothing[list][1]}</Empty>
      ) : (
        <Card>
          <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
            {found.items.map((finding) => (
              <FindingRow key={finding.id} finding={finding}>
                <IfMay call="findings.register">
                  <WhatToDo finding={finding} />
                </IfMay>
                <IfMay call="findings.decide">
                  <Decide finding={finding} />
                </IfMay>
              </FindingRow>
            ))}
          </Box>
        </Card>
      )}
      <More list={found} />
    </>
  );
}

/* How much there is, in a sentence. */
function leadOf({ open: { error, warning, note } }: Attention): string {
  const all = [
    [error, 'error'],
    [warning, 'warning'],
    [note, 'note'],
  ] as const;
  const told = all.flatMap(([count, name]) =>
    count === 0 ? [] : [count < mostFindingsCounted ? plural(count, name) : `${count} ${name}s or more`],
  );
  return told.length === 0 ? 'Everything that was seen is as it should be.' : `${told.join(', ')}.`;
}

function Filters({
  counts: { sites, rules },
  site,
  rule,
  onSet,
}: {
  counts: Attention;
  site: string;
  rule: string;
  onSet: (name: string, value: string) => void;
}) {
  const size = { width: { xs: '100%', sm: 210 } };
  const counted = (name: string, count: number): string => `${name} (${count})`;
  return (
    <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', width: { xs: '100%', md: 'auto' } }}>
      <TextField
        select
        size="small"
        label="What"
        value={rules.some((each) => each.rule === rule) ? rule : ''}
        onChange={({ target }) => onSet('rule', target.value)}
        sx={size}
      >
        <MenuItem value="">Everything</MenuItem>
        {rules.map((each) => (
          <MenuItem key={each.rule} value={each.rule}>
            {counted(each.title, each.count)}
          </MenuItem>
        ))}
      </TextField>
      <TextField
        select
        size="small"
        label="Site"
        value={sites.some((each) => each.site === site) ? site : ''}
        onChange={({ target }) => onSet('site', target.value)}
        sx={size}
      >
        <MenuItem value="">All sites</MenuItem>
        {sites.map((each) => (
          <MenuItem key={each.site} value={each.site}>
            {counted(each.name, each.count)}
          </MenuItem>
        ))}
      </TextField>
    </Box>
  );
}

/* Takes notice of what is shown and new. */
function SeenAll({ shown }: { shown: readonly KeptFinding[] }) {
  const announce = useAnnounce();
  const fresh = shown.filter(({ isNew }) => isNew).slice(0, 200);
  const see = useMutation({
    mutationFn: () =>
      api.call('findings.decide', { body: { findings: fresh.map(({ id }) => id), as: 'seen' } }),
    onSuccess: async () => {
      await refresh('findings');
      announce(`${plural(fresh.length, 'finding')} taken notice of.`);
    },
  });
  if (fresh.length === 0) return null;
  return (
    <Button variant="outlined" onClick={() => see.mutate()} disabled={see.isPending}>
      I have seen these
    </Button>
  );
}
