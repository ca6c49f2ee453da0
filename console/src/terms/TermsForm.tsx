import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Terms } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Findings } from '../components/Findings.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Waiting } from '../components/Waiting.tsx';
import { draftOf, valuesOf, type TermsDraft } from './terms-draft.ts';
import { useTerms, writeTerms, type TermsOf } from './use-terms.ts';

/** What has been agreed upon for an embed or with a provider, to be read and written. */
export function TermsForm({ of }: { of: TermsOf }) {
  const found = useTerms(of);
  if (found.error) return <ProblemNote error={found.error} />;
  if (!found.data) return <Waiting />;
  const { terms, etag } = found.data;
  return <Fields key={etag} of={of} terms={terms} etag={etag} />;
}

const { labels } = spoken.terms;

function Fields({ of, terms, etag }: { of: TermsOf; terms: Terms; etag: string }) {
  const [draft, setDraft] = useState(draftOf(terms));
  const announce = useAnnounce();
  const { values, wrong } = valuesOf(draft);
  const save = useMutation({
    mutationFn: () => writeTerms(of, values!, etag),
    onSuccess: async () => {
      await refresh('terms');
      await announce.done(
        'Saved. The start screen tells in time before a contract ends or a limit is reached.',
      );
    },
  });
  const field = (name: keyof TermsDraft, help: string) => ({
    label: labels[name],
    value: draft[name],
    onChange: (event: { target: { value: string } }) =>
      setDraft((now) => ({ ...now, [name]: event.target.value })),
    error: wrong[name] !== undefined,
    helperText: wrong[name] ?? help,
  });
  const isChanged = JSON.stringify(draft) !== JSON.stringify(draftOf(terms));
  return (
    <Stack
      component="form"
      aria-label="Costs and terms"
      spacing={2}
      onSubmit={(event: React.SyntheticEvent) => {
        event.preventDefault();
        if (values) save.mutate();
      }}
    >
      <Findings findings={terms.findings} />
      <TextField {...field('price', 'Such as 12.50 EUR a month, 90 GBP a year, or 40 EUR once.')} />
      <Box>
        <TextField
          {...field('viewsAMonth', 'How many the plan has; empty where there is no limit.')}
          slotProps={{ htmlInput: { inputMode: 'numeric' } }}
          fullWidth
        />
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5, mx: 1.75 }}>
          {spoken.terms.views(terms.views.times, terms.viewsAMonth)} this month, in frames that Orbis serves.
        </Typography>
      </Box>
      <TextField
        {...field('ends', 'The last day of the contract; empty where it does not end.')}
        type="date"
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <TextField
        {...field('licence', 'Under what the content may be shown.')}
        slotProps={{ htmlInput: { maxLength: 300 } }}
      />
      <TextField
        select
        {...field('personalData', 'Whether it may process personal data of your visitors.')}
        slotProps={{ select: { displayEmpty: true }, inputLabel: { shrink: true } }}
      >
        <MenuItem value="">not said</MenuItem>
        <MenuItem value="yes">it may process them</MenuItem>
        <MenuItem value="no">it may not process them</MenuItem>
      </TextField>
      <ProblemNote error={save.error} />
      <Box>
        <Button type="submit" variant="outlined" disabled={!isChanged || !values || save.isPending}>
          Save the terms
        </Button>
      </Box>
    </Stack>
  );
}
