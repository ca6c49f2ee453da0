import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useColorScheme } from '@mui/material/styles';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../parts/Announcer.tsx';
import { Card } from '../parts/Card.tsx';
import { CopyButton } from '../parts/CopyButton.tsx';
import { More } from '../parts/More.tsx';
import { PlainCode } from '../parts/CodeRuns.tsx';
import { ProblemNote } from '../parts/ProblemNote.tsx';
import { ScreenHead } from '../parts/ScreenHead.tsx';
import { sayWhen } from '../parts/when.ts';
import { AddForm } from '../places/AddForm.tsx';
import { Rules } from './Rules.tsx';

/** Who is signed in, the tokens of the command line, and the look. */
export default function AccountScreen() {
  const session = useQuery({ queryKey: ['session'], queryFn: async () => (await api.call('session.read')).data });
  const tokens = useList('tokens.list', {});
  const [made, setMade] = useState<string | null>(null);
  const { mode, setMode } = useColorScheme();
  const announce = useAnnounce();
  const revoke = useMutation({
    mutationFn: async (id: string) => api.call('tokens.delete', { params: { token: id } }),
    onSuccess: async () => {
      await refresh();
      announce('The token is revoked.');
    },
  });
  const signOut = useMutation({ mutationFn: async () => api.call('session.delete'), onSuccess: () => location.replace('/sign-in') });
  return (
    <>
      <ScreenHead title="Account" lead={session.data?.person ? `Signed in as ${session.data.person.name}.` : undefined}>
        <Button variant="outlined" onClick={() => signOut.mutate()}>
          Sign out
        </Button>
      </ScreenHead>
      <ProblemNote error={session.error ?? tokens.error ?? revoke.error ?? signOut.error} />
      <Stack spacing={3}>
        {session.data?.frames === 'shared-host' && (
          <Card title="Previews share one host">
            <Typography>
              Previews run without an origin of their own, so embeds that keep data in the visitor’s browser may not work in them. Give ORBIS_FRAMES_URL a host with a wildcard to
              mend that.
            </Typography>
          </Card>
        )}
        <Card title="Look">
          <ToggleButtonGroup exclusive size="small" value={mode ?? 'system'} onChange={(_, value: 'light' | 'dark' | 'system' | null) => value && setMode(value)} aria-label="Look">
            <ToggleButton value="system">As the device</ToggleButton>
            <ToggleButton value="light">Light</ToggleButton>
            <ToggleButton value="dark">Dark</ToggleButton>
          </ToggleButtonGroup>
        </Card>
        <Card title="Rules for all embeds">
          <Rules />
        </Card>
        <Card title="Providers">
          <Typography>
            What Orbis knows of providers stands in their sheets. <Link to="/providers">Look at them, or bring your own</Link>.
          </Typography>
        </Card>
        <Card title="Tokens for the command line">
          <Box component="ul" sx={{ m: 0, mb: 2, p: 0, listStyle: 'none' }}>
            {tokens.items.map((token) => (
              <Box component="li" key={token.id} sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'baseline', py: 1, borderBottom: 1, borderColor: 'divider' }}>
                <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 160 }}>{token.name}</Typography>
                <Typography variant="body2" color="textSecondary">
                  made {sayWhen(token.createdAt)}, last used {sayWhen(token.lastUsedAt)}
                </Typography>
                <Button size="small" color="error" onClick={() => revoke.mutate(token.id)} aria-label={`Revoke ${token.name}`}>
                  Revoke
                </Button>
              </Box>
            ))}
          </Box>
          <More list={tokens} />
          {made && (
            <Box sx={{ mb: 2 }}>
              <Typography>This is shown once only. Set it as ORBIS_TOKEN, with ORBIS_URL={location.origin}.</Typography>
              <PlainCode text={made} label="The new token" />
              <CopyButton text={made} label="Copy the token" />
            </Box>
          )}
          <AddForm
            button="Make a token"
            fields={[{ name: 'name', label: 'What it is for', placeholder: 'the laptop' }]}
            add={async ({ name = '' }) => {
              setMade((await api.call('tokens.create', { body: { name } })).data.token);
              return 'The token is made. Copy it now.';
            }}
          />
        </Card>
      </Stack>
    </>
  );
}
