import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import type { ThirdParty } from '@orbis/contract';
import { plural, spoken } from '@orbis/contract/language';
import { thirdPartyList, type ListForm } from '@orbis/contract/third-party-list';
import { api, useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { Empty } from '../components/Empty.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { HeaviestPages } from './HeaviestPages.tsx';

const forms: readonly [ListForm, string][] = [
  ['html', 'Copy as HTML'],
  ['markdown', 'Copy as Markdown'],
  ['csv', 'Copy as CSV'],
];

/** Whom the browsers of visitors contact, as a list for a privacy statement. */
export default function ThirdPartiesScreen() {
  const [search, setSearch] = useSearchParams();
  const site = search.get('site') ?? '';
  const sites = useList('sites.list', {});
  const found = useQuery({
    queryKey: ['placements', 'third-parties', site],
    queryFn: async () =>
      (await api.call('thirdParties.read', { query: site === '' ? {} : { site } })).data.parties,
  });
  return (
    <>
      <ScreenHead
        title="Third parties"
        lead="Whom the browsers of your visitors contact for what you have placed, and what for: a list for your privacy statement."
      />
      <TextField
        select
        label="Site"
        value={sites.items.some(({ key }) => key === site) ? site : ''}
        onChange={({ target }) => setSearch(target.value ? { site: target.value } : {}, { replace: true })}
        sx={{ maxWidth: 320, mb: 3 }}
        slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
      >
        <MenuItem value="">All sites</MenuItem>
        {sites.items.map(({ key, name }) => (
          <MenuItem key={key} value={key}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <ProblemNote error={found.error} />
      {found.isPending && <Waiting />}
      {found.data?.length === 0 && (
        <Empty title="Nobody">What is placed contacts nobody but your own sites.</Empty>
      )}
      <Stack spacing={3}>
        {found.data && found.data.length > 0 && <Parties parties={found.data} />}
        <HeaviestPages site={site} />
      </Stack>
    </>
  );
}

function Parties({ parties }: { parties: readonly ThirdParty[] }) {
  return (
    <Card>
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap', mb: 1 }}>
        {forms.map(([form, label]) => (
          <CopyButton key={form} text={thirdPartyList(parties, form)} label={label} />
        ))}
      </Stack>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {parties.map((party) => (
          <Party key={party.provider ?? party.name} party={party} />
        ))}
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        It goes by the codes as they are kept. “Its frame” in the workbench finds out whom an embed really
        contacts.
      </Typography>
    </Card>
  );
}

function Party({ party: { name, purposes, hosts, loads, places, sites } }: { party: ThirdParty }) {
  return (
    <Box component="li" sx={{ py: 2, borderBottom: 1, borderColor: 'divider' }}>
      <Typography sx={{ fontWeight: 600 }}>{name}</Typography>
      <Typography>
        {spoken.thirdParties.purposes(purposes)}, {spoken.thirdParties.loads[loads]}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
        {hosts.join(', ')} · in {plural(places, 'place')} on {sites.join(', ')}
      </Typography>
    </Box>
  );
}
