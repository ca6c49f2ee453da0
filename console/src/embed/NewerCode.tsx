import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { compareTexts, linkIn } from '@orbis/core';
import type { Embed } from '@orbis/contract';
import { ApiError } from '@orbis/contract/client';
import { api, refresh } from '../api.ts';
import { usePasted } from '../collect/pasted.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { CompareRuns } from '../components/CodeRuns.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { mono } from '../theme.ts';

/** Takes the provider's newer code into the same embed: options and placements stay. */
export function NewerCode({ embed, etag }: { embed: Embed; etag: string }) {
  const { text, setText, field } = usePasted();
  const announce = useAnnounce();
  const renew = useMutation({
    mutationFn: async (said: { dropUnfit?: boolean; anyway?: boolean }) =>
      api.call('sources.create', { params: { embed: embed.key }, ifMatch: etag, body: { text, ...said } }),
    onSuccess: async ({ data, status }) => {
      setText('');
      await refresh('embeds');
      if (status === 200) return announce('That is the code that is here already.');
      await announce.done(`The newer code is in, as revision ${data.revision}. The older one is kept.`);
    },
  });
  const refusal = renew.error instanceof ApiError ? renew.error.code : null;
  return (
    <Stack
      component="form"
      spacing={1.5}
      onSubmit={(event) => {
        event.preventDefault();
        renew.mutate({});
      }}
    >
      <Typography color="textSecondary">
        Has the provider changed its code? Paste the newer one: settings, looks and places stay as they are,
        and the older code is kept.
      </Typography>
      <TextField
        label="The newer code or link"
        multiline
        minRows={3}
        maxRows={12}
        required
        {...field}
        slotProps={{ htmlInput: { spellCheck: false, style: { fontFamily: mono, fontSize: 14 } } }}
      />
      {text.trim() !== '' && linkIn(text) === null && (
        <CompareRuns
          runs={compareTexts(embed.base, text)}
          label="The code as it is, with what is new in the newer one"
        />
      )}
      <ProblemNote error={renew.error} />
      <div>
        <Button type="submit" variant="outlined" disabled={renew.isPending}>
          Take it in
        </Button>
        {refusal === 'another-thing' && (
          <Button color="error" sx={{ ml: 1 }} onClick={() => renew.mutate({ anyway: true })}>
            Take it in all the same
          </Button>
        )}
        {refusal === 'options-unfit' && (
          <Button
            color="error"
            sx={{ ml: 1 }}
            onClick={() => renew.mutate({ ...renew.variables, dropUnfit: true })}
          >
            Take it in without those settings
          </Button>
        )}
      </div>
    </Stack>
  );
}
