import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Embed } from '@orbis/contract';
import { api, refresh } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { Confirm } from '../components/Confirm.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';

/** Takes the code and the texts of a retired embed out for good, with a written reason. */
export function Purge({ embed, etag }: { embed: Embed; etag: string }) {
  const [reason, setReason] = useState('');
  const announce = useAnnounce();
  const purge = useMutation({
    mutationFn: async () =>
      api.call('embeds.purge', { params: { embed: embed.key }, ifMatch: etag, body: { reason } }),
    onSuccess: async () => {
      await refresh('embeds');
      announce(`“${embed.name}” is purged.`);
    },
  });
  return (
    <Box>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        Purging takes its code, its options, its notes and all that was handed out of it out of the register.
        That it was there, where it stood and why it was purged stays. It cannot be taken back. It does not
        reach published pages, nor whole pages that were harvested.
      </Typography>
      <TextField
        label="Why it is purged"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 500 } }}
        sx={{ mb: 1.5 }}
      />
      <Confirm
        label="Purge it"
        title={`Purge “${embed.name}”?`}
        color="error"
        disabled={reason.trim() === '' || purge.isPending}
        onConfirm={() => purge.mutate()}
      >
        Its code and its texts will be gone for good.
      </Confirm>
      <ProblemNote error={purge.error} />
    </Box>
  );
}
