import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { SiteHead } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../../api.ts';
import { Card } from '../../components/Card.tsx';
import { PlainCode } from '../../components/CodeRuns.tsx';
import { CopyButton } from '../../components/CopyButton.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';

/** What is to be done in the field for the head of every page: pasted, or taken out. */
export function HeadWork({ head: { site, things, text: shown, issued } }: { head: SiteHead }) {
  const [error, setError] = useState<unknown>(null);
  const wanted = things.filter(
    ({ action }) => action === 'paste' || action === 'already-there' || action === 'wait',
  );
  const leaving = things.filter(({ action }) => action === 'take-out');
  if (wanted.length === 0 && leaving.length === 0) return null;
  const isDone = wanted.every(({ action }) => action !== 'paste');
  const text = async (): Promise<string> => {
    setError(null);
    const { data, status } = await api.call('headDeliveries.create', { params: { site } });
    if (status === 201) await refresh('sites');
    return data.text;
  };
  return (
    <Card title="What to do there">
      {wanted.length > 0 && (
        <Box sx={{ display: 'flex', flexDirection: 'column', alignItems: 'flex-start', gap: 1.5 }}>
          <Typography>
            {isDone
              ? 'All that is wanted there was seen there.'
              : 'Copy this into the field of your site editor for code in the head of every page. It is all that belongs there: it takes the place of what Orbis gave you for it before.'}
          </Typography>
          <CopyButton
            text={text}
            label="Copy it"
            aria-label="Copy what goes into the head"
            onError={setError}
          />
          <Box sx={{ width: '100%' }}>
            <PlainCode text={shown} label="Code for the head of every page" />
          </Box>
          {issued && (
            <Typography variant="body2" color="textSecondary">
              Handed out last as number {issued.number}.
            </Typography>
          )}
        </Box>
      )}
      {leaving.map((thing) => (
        <Box key={thing.digest} sx={{ mt: 2 }}>
          <Typography>
            <strong>{spoken.planActions['take-out']}</strong> · {spoken.positionsLeft['site-head']}
          </Typography>
          <PlainCode text={thing.text} label={`What to take out: ${spoken.siteHead.called(thing)}`} />
        </Box>
      ))}
      <ProblemNote error={error} />
    </Card>
  );
}
