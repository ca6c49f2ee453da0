import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Token } from '@orbis/contract';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { PlainCode } from '../components/CodeRuns.tsx';
import { CopyButton } from '../components/CopyButton.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';
import { AddForm } from '../components/AddForm.tsx';

/** The tokens by which programs sign in: made with the password given again, and revoked. */
export function Tokens() {
  const tokens = useList('tokens.list', {});
  const [made, setMade] = useState<string | null>(null);
  const announce = useAnnounce();
  const revoke = useMutation({
    mutationFn: async (id: string) => api.call('tokens.delete', { params: { token: id } }),
    onSuccess: async () => {
      await refresh('account');
      announce('The token is revoked.');
    },
  });
  return (
    <>
      <Typography color="textSecondary" sx={{ mb: 1.5 }}>
        A program that has a token may do what you may, until the token ends. Give each program one of its
        own, and only as much as it needs.
      </Typography>
      <ProblemNote error={tokens.error ?? revoke.error} />
      <Box component="ul" sx={{ m: 0, mb: 2, p: 0, listStyle: 'none' }}>
        {tokens.items.map((token) => (
          <Box
            component="li"
            key={token.id}
            sx={{
              display: 'flex',
              gap: 2,
              flexWrap: 'wrap',
              alignItems: 'baseline',
              py: 1,
              borderBottom: 1,
              borderColor: 'divider',
            }}
          >
            <Typography sx={{ fontWeight: 600, flex: 1, minWidth: 160, overflowWrap: 'anywhere' }}>
              {token.name}
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {describe(token)}
            </Typography>
            <Button
              size="small"
              color="error"
              onClick={() => revoke.mutate(token.id)}
              aria-label={`Revoke ${token.name}`}
            >
              Revoke
            </Button>
          </Box>
        ))}
      </Box>
      <More list={tokens} />
      {made !== null && (
        <Box sx={{ mb: 2 }}>
          <Typography>
            This is shown once only. Set it as ORBIS_TOKEN, with ORBIS_URL={location.origin}.
          </Typography>
          <PlainCode text={made} label="The new token" />
          <CopyButton text={made} label="Copy the token" />
        </Box>
      )}
      <AddForm
        changes="account"
        button="Make a token"
        fields={[
          { name: 'name', label: 'What it is for', placeholder: 'the laptop' },
          {
            name: 'access',
            label: 'It may',
            initial: 'all',
            width: 180,
            choices: [
              ['all', 'do everything'],
              ['read', 'only read'],
            ],
          },
          { name: 'days', label: 'Days it lasts', type: 'number', initial: '365', width: 130 },
          { name: 'password', label: 'Your password', type: 'password', autoComplete: 'current-password' },
        ]}
        add={async ({ name = '', access = 'all', days = '365', password = '' }) => {
          const { data } = await api.call('tokens.create', {
            body: { name, password, access: access === 'read' ? 'read' : 'all', days: Number(days) },
          });
          setMade(data.token);
          return 'The token is made. Copy it now.';
        }}
      />
    </>
  );
}

function describe({ access, expiresAt, lastUsedAt, lastUsedFrom }: Token): string {
  const over = new Date(expiresAt) < new Date();
  const use =
    lastUsedAt === null
      ? 'never used'
      : `last used ${formatWhen(lastUsedAt)} from ${lastUsedFrom ?? 'somewhere'}`;
  return `${access === 'read' ? 'only reads · ' : ''}${over ? 'ended' : 'ends'} ${formatWhen(expiresAt)} · ${use}`;
}
