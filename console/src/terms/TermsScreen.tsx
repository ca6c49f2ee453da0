import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Terms } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, useList } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { Empty } from '../components/Empty.tsx';
import { Findings } from '../components/Findings.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { addressOfTerms } from './address-of-terms.ts';

/** What has been agreed upon with providers: limits, prices, licences, ends. */
export default function TermsScreen() {
  const list = useList('terms.list', {});
  const costs = useQuery({
    queryKey: ['terms', 'costs'],
    queryFn: async () => (await api.call('terms.costs', {})).data.costs,
  });
  return (
    <>
      <ScreenHead
        title="Costs and terms"
        lead="What you have agreed upon with providers: what it costs, how many views it has, until when, and under which licence."
      />
      <ProblemNote error={list.error ?? costs.error} />
      {list.isPending && <Waiting />}
      {list.data && list.items.length === 0 && (
        <Empty title="Nothing is written down yet">
          Open a <Link to="/providers">provider</Link>, or an embed of the{' '}
          <Link to="/collection">collection</Link> and its details, and write down there what you have agreed
          upon.
        </Empty>
      )}
      {list.items.length > 0 && (
        <Card>
          {costs.data && (
            <Typography sx={{ mb: 2, fontWeight: 600 }}>{spoken.terms.costs(costs.data)}</Typography>
          )}
          <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
            {list.items.map((terms) => (
              <Row key={addressOfTerms(terms)} terms={terms} />
            ))}
          </Box>
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            {spoken.terms.countedWhere}
          </Typography>
        </Card>
      )}
      <More list={list} />
    </>
  );
}

const { labels, price, views, viewsSoFar, day, personalData } = spoken.terms;

function Row({ terms }: { terms: Terms }) {
  const said: [string, string][] = [
    ...(terms.price ? [[labels.price, price(terms.price)] as [string, string]] : []),
    ...(terms.viewsAMonth !== null || terms.views.times > 0
      ? [[viewsSoFar, views(terms.views.times, terms.viewsAMonth)] as [string, string]]
      : []),
    ...(terms.ends ? [[labels.ends, day(terms.ends)] as [string, string]] : []),
    ...(terms.licence ? [[labels.licence, terms.licence] as [string, string]] : []),
    ...(terms.personalData === null
      ? []
      : [[labels.personalData, personalData(terms.personalData)] as [string, string]]),
  ];
  return (
    <Box
      component="li"
      sx={{ 'py': 2.5, 'borderTop': 1, 'borderColor': 'divider', '&:first-of-type': { borderTop: 0, pt: 0 } }}
    >
      <Typography component="h2" sx={{ fontWeight: 700 }}>
        <Link to={addressOfTerms(terms)}>{terms.name}</Link>{' '}
        <Typography component="span" variant="body2" color="textSecondary">
          {terms.embed === null ? 'provider' : 'embed'}
        </Typography>
      </Typography>
      <Box
        component="dl"
        sx={{
          'm': 0,
          'mt': 0.75,
          'display': 'grid',
          'gridTemplateColumns': { xs: '1fr', sm: 'repeat(auto-fill, minmax(190px, 1fr))' },
          'gap': 1.5,
          '& dd': { m: 0, fontVariantNumeric: 'tabular-nums', overflowWrap: 'anywhere' },
        }}
      >
        {said.map(([label, words]) => (
          <div key={label}>
            <Typography component="dt" variant="body2" color="textSecondary">
              {label}
            </Typography>
            <dd>{words}</dd>
          </div>
        ))}
      </Box>
      {terms.findings.length > 0 && (
        <Stack sx={{ mt: 1.5 }}>
          <Findings findings={terms.findings} />
        </Stack>
      )}
    </Box>
  );
}
