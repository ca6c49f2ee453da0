import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useRef } from 'react';
import { plural } from '@orbis/contract/language';
import { api, refreshAll } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** Takes everything that is kept out, in open forms, and in again. */
export function WholeRegister() {
  const announce = useAnnounce();
  const chosen = useRef<HTMLInputElement>(null);
  const take = useMutation({
    mutationFn: async (file: File) => {
      const text = { type: 'application/x-ndjson', from: file };
      return (await api.call('register.create', { text })).data;
    },
    onSuccess: async ({ lines }) => {
      await refreshAll();
      announce(
        `Taken in: ${plural(lines.embed ?? 0, 'embed')}, ${plural(lines.placement ?? 0, 'placement')}.`,
      );
    },
  });
  return (
    <Stack spacing={2} sx={{ alignItems: 'flex-start' }}>
      <Typography>
        All that is kept here is yours: every code as it was pasted, every revision, your sites, and what was
        handed out for each place. It comes out as a text file that other programs read too.
      </Typography>
      <Stack direction="row" spacing={1.5} useFlexGap sx={{ flexWrap: 'wrap' }}>
        <Button variant="outlined" component="a" href="/api/v1/register" download>
          Take everything out
        </Button>
        <Button variant="outlined" component="a" href="/api/v1/register/table" download>
          The places as a table
        </Button>
      </Stack>
      <IfMay call="register.create">
        <Typography color="textSecondary">
          Such a file can be taken into an Orbis in which nothing is kept yet.
        </Typography>
        <Button variant="outlined" loading={take.isPending} onClick={() => chosen.current?.click()}>
          Take a register in
        </Button>
        <input
          ref={chosen}
          type="file"
          hidden
          accept=".ndjson,application/x-ndjson"
          aria-label="A register file"
          onChange={({ target }) => {
            const [file] = target.files ?? [];
            if (file) take.mutate(file);
            target.value = '';
          }}
        />
      </IfMay>
      <ProblemNote error={take.error} />
    </Stack>
  );
}
