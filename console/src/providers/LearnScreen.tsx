import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Switch from '@mui/material/Switch';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { linkIn } from '@orbis/core';
import type { SheetProposal } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { mono } from '../theme.ts';
import { CommonCode } from './CommonCode.tsx';
import { LearnedLines } from './LearnedLines.tsx';
import { SheetEditor } from './SheetEditor.tsx';

/** Learns a provider that no sheet knows from a few of its codes and links: line by line, and then kept. */
export default function LearnScreen() {
  const [samples, setSamples] = useState(['', '']);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const [ask, setAsk] = useState(true);
  const [proposal, setProposal] = useState<SheetProposal | null>(null);
  const navigate = useNavigate();
  const announce = useAnnounce();
  const given = samples.filter((sample) => sample.trim() !== '');
  const hosts = [
    ...new Set(given.flatMap((sample) => linkIn(sample) ?? []).map((link) => new URL(link).host)),
  ];
  const learn = useMutation({
    mutationFn: async (said: Record<string, string>) =>
      (
        await api.call('providers.learn', {
          body: { samples: given, answers: said, ask: ask && hosts.length > 0 },
        })
      ).data,
    onSuccess: (found, said) => {
      setProposal(found);
      setAnswers(said);
    },
  });
  const write = (number: number, text: string): void => {
    setSamples(samples.map((sample, i) => (i === number ? text : sample)));
    setProposal(null);
  };

  return (
    <>
      <ScreenHead
        title="Learn a provider"
        lead="Give two or more codes or links of one provider that Orbis does not know. It says what they have in common and what each part probably means; you confirm it, or say otherwise."
      />
      <Stack spacing={3}>
        <Card title="What the provider hands out">
          <Stack spacing={2}>
            {samples.map((sample, i) => (
              <TextField
                key={i}
                label={`Code or link ${i + 1}`}
                multiline
                minRows={2}
                maxRows={8}
                value={sample}
                onChange={(event) => write(i, event.target.value)}
                slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: mono, fontSize: 14 } } }}
              />
            ))}
            {hosts.length > 0 && (
              <Box sx={{ borderLeft: 3, borderColor: 'divider', pl: 2 }}>
                <FormControlLabel
                  control={<Switch checked={ask} onChange={(_, on) => setAsk(on)} />}
                  label="Ask the provider about its links"
                />
                <Typography variant="body2" color="textSecondary">
                  {ask ? 'Orbis will ask' : 'Orbis asks nobody; otherwise it would ask'}{' '}
                  <strong>{hosts.join(', ')}</strong> for the pages, and for the codes that they tell.
                </Typography>
              </Box>
            )}
            <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap' }}>
              <Button
                variant={proposal ? 'outlined' : 'contained'}
                disabled={given.length === 0 || learn.isPending}
                onClick={() => learn.mutate({})}
              >
                {learn.isPending && !proposal ? 'Looking…' : 'See what they have in common'}
              </Button>
              <Button disabled={samples.length >= 20} onClick={() => setSamples([...samples, ''])}>
                One more
              </Button>
            </Box>
            <ProblemNote error={learn.error} />
          </Stack>
        </Card>
        {proposal && (
          <>
            <Card title="What they have in common">
              <CommonCode proposal={proposal} />
            </Card>
            <Card
              title={
                proposal.open === 0
                  ? 'What each part means'
                  : `What each part means: ${plural(proposal.open, 'question')} for you`
              }
            >
              <LearnedLines
                lines={proposal.lines}
                busy={learn.isPending}
                onAnswer={(about, value) => learn.mutate({ ...answers, [about]: value })}
              />
            </Card>
            <Card title={proposal.open === 0 ? 'The sheet' : 'The sheet, without what is not answered'}>
              <SheetEditor
                key={proposal.text}
                initial={proposal.text}
                onSaved={async ({ id, sheet }) => {
                  announce(`The sheet of ${sheet.name} is saved.`);
                  await navigate(`/providers/${id}`);
                }}
              />
            </Card>
          </>
        )}
      </Stack>
    </>
  );
}
