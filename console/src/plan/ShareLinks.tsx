import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, refresh, useList } from '../api.ts';
import { AddForm } from '../components/AddForm.tsx';
import { useAnnounce } from '../components/Announcer.tsx';
import { PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

/** Links by which others see the steps of a page and tick them: made, and ended before their time. */
export function ShareLinks({ page }: { page: string }) {
  const params = { page };
  const links = useList('planLinks.list', {}, params);
  const [made, setMade] = useState<string | null>(null);
  const announce = useAnnounce();
  const end = useMutation({
    mutationFn: async (link: string) => api.call('planLinks.delete', { params: { page, link } }),
    onSuccess: async () => {
      setMade(null);
      await refresh('plans');
      announce('The link leads nowhere any more.');
    },
  });
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        Whoever has the link sees the steps of this page and nothing else, copies the codes and ticks what is
        done. Nobody needs to sign in for that.
      </Typography>
      <ProblemNote error={links.error ?? end.error} />
      {links.items.length > 0 && (
        <Box component="ul" aria-label="Links to these steps" sx={{ m: 0, mb: 2, p: 0, listStyle: 'none' }}>
          {links.items.map(({ id, name, expiresAt }) => (
            <Box
              component="li"
              key={id}
              sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'baseline', py: 1 }}
            >
              <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 160, overflowWrap: 'anywhere' }}>
                {name}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                holds until {formatWhen(expiresAt)}
              </Typography>
              <Button
                size="small"
                color="error"
                onClick={() => end.mutate(id)}
                aria-label={`End the link for ${name}`}
              >
                End it
              </Button>
            </Box>
          ))}
        </Box>
      )}
      <More list={links} />
      {made !== null && (
        <Box sx={{ mb: 2 }}>
          <Typography>This is shown once only. Send it to whoever does the pasting.</Typography>
          <PlainCode text={made} label="The new link" />
          <CopyButton text={made} label="Copy the link" sx={{ mt: 1 }} />
        </Box>
      )}
      <AddForm
        changes="plans"
        button="Make a link"
        fields={[
          { name: 'name', label: 'Whom it is for', placeholder: 'the web desk' },
          { name: 'days', label: 'Days it holds', type: 'number', initial: '14', width: 130 },
        ]}
        add={async ({ name = '', days = '' }) => {
          const { data } = await api.call('planLinks.create', { params, body: { name, days: Number(days) } });
          setMade(data.url);
          return 'The link is made. Copy it now.';
        }}
      />
    </>
  );
}
