import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation, useQuery } from '@tanstack/react-query';
import { Link, useNavigate, useParams } from 'react-router';
import { optionsFor, ruleOf } from '@orbis/core';
import type { Provider } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api, heldForForm, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { Confirm } from '../components/Confirm.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { TermsForm } from '../terms/TermsForm.tsx';
import { mono } from '../theme.ts';
import { optionWords, spoken } from '@orbis/contract/language';
import { Differences, SheetEditor } from './SheetEditor.tsx';
import { IfMay } from '../components/IfMay.tsx';
import { IfMayElseWho } from '../components/IfMayElseWho.tsx';

/** One provider: what its sheet says in plain words, and the sheet itself. */
export default function ProviderScreen() {
  const { provider: id = '' } = useParams();
  const found = useQuery({
    queryKey: ['providers', 'providers.read', id],
    meta: heldForForm,
    queryFn: async () => {
      const { data, etag } = await api.call('providers.read', { params: { provider: id } });
      return { ...data, etag: etag ?? '' };
    },
  });
  const announce = useAnnounce();
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { sheet, from, embeds, text, etag } = found.data;
  return (
    <>
      <ScreenHead
        title={sheet.name}
        lead={[
          sheet.kind,
          `version ${sheet.version}`,
          spoken.sheetOrigins[from],
          ...(embeds > 0 ? [plural(embeds, 'embed')] : []),
        ].join(' · ')}
      >
        <IfMay call="providers.save">
          <Button component={Link} to={`/providers/new?copy=${id}`}>
            Make a copy
          </Button>
        </IfMay>
        <Button
          component="a"
          download={`${id}.${text.trimStart().startsWith('{') ? 'json' : 'yaml'}`}
          href={`data:text/plain;charset=utf-8,${encodeURIComponent(text)}`}
        >
          Export it
        </Button>
        <IfMay call="providers.remove">{from !== 'built-in' && <Remove id={id} etag={etag} />}</IfMay>
      </ScreenHead>
      <Stack spacing={3}>
        <Card title="What it says">
          <About sheet={sheet} />
        </Card>
        <IfMay call="terms.writeOfProvider">
          <Card title="Your costs and terms">
            <Box sx={{ maxWidth: 560 }}>
              <TermsForm of={{ provider: id }} />
            </Box>
          </Card>
        </IfMay>
        <Card title="The sheet itself" action={<CopyButton text={text} label="Copy the sheet" />}>
          {from === 'built-in' && (
            <Alert severity="info" variant="outlined" sx={{ mb: 2 }}>
              This one is built in. What you change here is saved as a sheet of your own, which is used
              instead; the built-in one is never lost.
            </Alert>
          )}
          <IfMayElseWho call="providers.save">
            <SheetEditor
              key={etag}
              initial={text}
              onSaved={({ changed }) =>
                announce(
                  changed > 0
                    ? `Saved. ${plural(changed, 'embed')} got a new revision.`
                    : 'Saved. No embed comes out differently.',
                )
              }
            />
          </IfMayElseWho>
        </Card>
      </Stack>
    </>
  );
}

const places = {
  query: 'a parameter of the address',
  fragment: 'behind the # of the address',
  path: 'a step of the address',
  attribute: 'an attribute',
  json: 'JSON in an attribute',
  option: 'an option of its script',
};

function About({ sheet }: { sheet: Provider['sheet'] }) {
  const rows: [string, string][] = [
    [
      'It is for',
      sheet.files
        ? `files that end in ${sheet.files.join(', ')}, wherever they are`
        : sheet.pages
          ? 'pages of any site, by their links'
          : sheet.hosts.join(', '),
    ],
    ...(sheet.privacyHost ? ([['Quieter address', sheet.privacyHost.host]] as [string, string][]) : []),
    ...(sheet.tracks
      ? ([['Parameters that only follow people', sheet.tracks.join(', ')]] as [string, string][])
      : []),
    ...Object.values(sheet.why ?? {}).map((why): [string, string] => ['It needs', why]),
    ...(sheet.about?.limits ? ([['Limits', sheet.about.limits]] as [string, string][]) : []),
    ...(sheet.about?.terms ? ([['Terms', sheet.about.terms]] as [string, string][]) : []),
    ...(sheet.about?.costs ? ([['Costs', sheet.about.costs]] as [string, string][]) : []),
  ];
  const offered = optionsFor(sheet).flatMap((setting) => {
    const rule = ruleOf(sheet, setting.name);
    return rule ? [{ setting, rule }] : [];
  });
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0,1fr)', lg: 'minmax(0,1fr) minmax(0,1.2fr)' },
        gap: 4,
      }}
    >
      <Box component="dl" sx={{ m: 0, display: 'grid', gap: 1.5, alignContent: 'start' }}>
        {rows.map(([term, meaning]) => (
          <Box key={term + meaning}>
            <Typography component="dt" variant="body2" color="textSecondary">
              {term}
            </Typography>
            <Typography component="dd" sx={{ m: 0, overflowWrap: 'anywhere' }}>
              {meaning}
            </Typography>
          </Box>
        ))}
      </Box>
      {offered.length === 0 ? (
        <Typography color="textSecondary">It offers no settings of its own.</Typography>
      ) : (
        <Box
          component="table"
          sx={{
            'borderCollapse': 'collapse',
            'width': '100%',
            '& th, & td': {
              textAlign: 'left',
              py: 0.75,
              pr: 2,
              borderBottom: 1,
              borderColor: 'divider',
              fontWeight: 400,
            },
            '& thead th': { color: 'text.secondary', fontSize: 14 },
          }}
        >
          <thead>
            <tr>
              <th scope="col">Setting</th>
              <th scope="col">Its name there</th>
              <th scope="col">Where</th>
            </tr>
          </thead>
          <tbody>
            {offered.map(({ setting, rule }) => (
              <tr key={setting.name}>
                <Box component="th" scope="row" sx={{ fontWeight: '600 !important' }}>
                  {setting.own?.label ?? optionWords(setting.name).label}
                </Box>
                <Box component="td" sx={{ fontFamily: mono, fontSize: 14, overflowWrap: 'anywhere' }}>
                  {rule.name}
                </Box>
                <td>{places[rule.in]}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      )}
    </Box>
  );
}

/* A sheet that embeds depend on is taken away only by somebody who has seen which. */
function Remove({ id, etag }: { id: string; etag: string }) {
  const navigate = useNavigate();
  const announce = useAnnounce();
  const comparison = useQuery({
    queryKey: ['providers', 'removal', id, etag],
    queryFn: async () => (await api.call('providers.compare', { body: { remove: id } })).data,
  });
  const remove = useMutation({
    mutationFn: () =>
      api.call('providers.remove', { params: { provider: id }, query: { accept: 'true' }, ifMatch: etag }),
    onSuccess: async () => {
      await navigate('/providers');
      await refresh('providers');
      announce('The sheet is removed.');
    },
  });
  return (
    <>
      <Confirm
        label="Remove it"
        color="error"
        title={comparison.data?.from === 'built-in' ? 'Go back to the built-in sheet?' : 'Remove this sheet?'}
        disabled={!comparison.data || remove.isPending}
        onConfirm={() => remove.mutate()}
      >
        {comparison.data && <Differences comparison={comparison.data} />}
        <Typography sx={{ mt: 2 }}>Export it first if you may want it again.</Typography>
      </Confirm>
      <ProblemNote error={remove.error} />
    </>
  );
}
