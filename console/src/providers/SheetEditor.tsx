import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { compareTexts } from '@orbis/core';
import type { Provider, SheetComparison } from '@orbis/contract';
import { ApiError } from '@orbis/contract/client';
import { plural } from '@orbis/contract/language';
import { api, refresh } from '../api.ts';
import { CompareRuns } from '../components/CodeRuns.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { mono } from '../theme.ts';

/** A sheet as a text: looked at first, with every embed that would come out differently, and then saved. */
export function SheetEditor({
  initial,
  onSaved,
}: {
  initial: string;
  onSaved: (provider: Provider & { changed: number }) => void | Promise<void>;
}) {
  const [text, setText] = useState(initial);
  const [seen, setSeen] = useState<{ text: string; comparison: SheetComparison; etag: string | null } | null>(
    null,
  );
  const look = useMutation({
    mutationFn: async () => {
      const { data, etag } = await api.call('providers.compare', { body: { text } });
      return { text, comparison: data, etag };
    },
    onSuccess: setSeen,
  });
  const save = useMutation({
    mutationFn: async ({ comparison, etag }: { comparison: SheetComparison; etag: string | null }) =>
      (
        await api.call('providers.save', {
          params: { provider: comparison.id },
          body: { text, accept: true },
          ...(etag === null ? { ifNoneMatch: '*' } : { ifMatch: etag }),
        })
      ).data,
    onSuccess: async (provider) => {
      await refresh('providers');
      await onSaved(provider);
    },
  });
  const current = seen?.text === text ? seen : null;
  const faults = look.error instanceof ApiError ? (look.error.problem.errors ?? []) : [];
  return (
    <Stack spacing={2}>
      <TextField
        label="The sheet, in JSON or YAML"
        multiline
        minRows={14}
        maxRows={30}
        value={text}
        onChange={(event) => setText(event.target.value)}
        slotProps={{
          htmlInput: { spellCheck: false, style: { fontFamily: mono, fontSize: 14, lineHeight: 1.6 } },
        }}
      />
      <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'center' }}>
        <Button component="label" variant="outlined">
          Take it from a file
          <input
            type="file"
            accept=".json,.yaml,.yml"
            hidden
            onChange={(event) => {
              void event.target.files?.[0]?.text().then(setText);
              event.target.value = '';
            }}
          />
        </Button>
        <Button
          variant={current ? 'outlined' : 'contained'}
          disabled={text.trim() === '' || look.isPending}
          onClick={() => look.mutate()}
        >
          See what it would change
        </Button>
        {current && (
          <Button variant="contained" disabled={save.isPending} onClick={() => save.mutate(current)}>
            {current.comparison.differs.length > 0
              ? `Save it, and change ${plural(current.comparison.differs.length, 'embed')}`
              : 'Save it'}
          </Button>
        )}
      </Box>
      {faults.length > 1 ? (
        <Alert severity="error" variant="outlined">
          This is not a provider sheet yet:
          <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
            {faults.map(({ detail }) => (
              <li key={detail}>{detail}</li>
            ))}
          </Box>
        </Alert>
      ) : (
        <ProblemNote error={look.error} />
      )}
      <ProblemNote error={save.error} />
      {current && <Differences comparison={current.comparison} />}
    </Stack>
  );
}

/** Every embed that would come out differently, with its code before and after. */
export function Differences({
  comparison: { differs, embeds, from, exists },
}: {
  comparison: SheetComparison;
}) {
  if (differs.length === 0)
    return (
      <Alert severity="success" variant="outlined">
        {from === 'override' && !exists ? 'It would stand before the built-in one. ' : ''}
        {embeds === 0
          ? 'No embed in the collection is its matter.'
          : `${plural(embeds, 'embed')} in the collection ${embeds === 1 ? 'is' : 'are'} its matter; none would come out differently.`}
      </Alert>
    );
  return (
    <Stack spacing={2}>
      <Typography variant="h3">
        {differs.length === 1
          ? 'One embed would come out differently'
          : `${differs.length} embeds would come out differently`}
      </Typography>
      {differs.map(({ embed, name, placements, before, after, problems }) => (
        <Box key={embed}>
          <Typography>
            <Link to={`/collection/${embed}`}>{name}</Link>
            {placements > 0 ? `, in ${plural(placements, 'place')}` : ''}
          </Typography>
          {problems.map(({ option, detail }) => (
            <Typography key={option} variant="body2" color="warning">
              {detail} It would be left out.
            </Typography>
          ))}
          <CompareRuns
            runs={compareTexts(before, after)}
            label={`The code of ${name}, with what would be new in it`}
          />
        </Box>
      ))}
    </Stack>
  );
}
