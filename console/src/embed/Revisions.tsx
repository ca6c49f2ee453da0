import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import type { Embed } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { formatOptions } from '@orbis/contract/options';
import { api, refresh, useList } from '../api.ts';
import { useAnnounce } from '../components/Announcer.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';
import { Comparison } from './Comparison.tsx';
import { IfMay } from '../components/IfMay.tsx';

/** Every state that the embed was saved in: each can be held against the newest, and brought back. */
export function Revisions({ embed, etag }: { embed: Embed; etag: string }) {
  const list = useList('revisions.list', {}, { embed: embed.key });
  const [compared, setCompared] = useState<number | null>(null);
  const announce = useAnnounce();
  const restore = useMutation({
    mutationFn: async (revision: number) =>
      (
        await api.call('revisions.restore', {
          params: { embed: embed.key, revision },
          ifMatch: etag,
          body: {},
        })
      ).data,
    onSuccess: async (now, revision) => {
      await refresh('embeds');
      if (now.revision === embed.revision) return announce('Nothing differs.');
      const places =
        now.placements > 0 ? ` ${plural(now.placements, 'place')} may carry another code now.` : '';
      await announce.done(`Revision ${now.revision} is revision ${revision} again.${places}`);
    },
  });
  return (
    <>
      <ProblemNote error={restore.error} />
      <Box component="ol" reversed sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {list.items.map((revision) => {
          const isOpen = compared === revision.number;
          return (
            <Box
              component="li"
              key={revision.number}
              sx={{ 'py': 1, '&:not(:last-child)': { borderBottom: 1, borderColor: 'divider' } }}
            >
              <Box sx={{ display: 'flex', gap: 2, alignItems: 'baseline', flexWrap: 'wrap' }}>
                <Typography sx={{ fontWeight: 700, minWidth: 24, textAlign: 'right' }}>
                  {revision.number}
                </Typography>
                <Box sx={{ flex: '1 1 160px', minWidth: 0 }}>
                  <Typography sx={{ overflowWrap: 'anywhere' }}>
                    {formatOptions(revision.options)
                      .map(({ name, value }) => `${name} ${value}`)
                      .join(', ') || 'as it was pasted'}
                  </Typography>
                  <Typography variant="body2" color="textSecondary">
                    {formatWhen(revision.createdAt)} · {revision.reason}
                  </Typography>
                </Box>
                {revision.number === embed.revision ? (
                  <Typography variant="body2" color="textSecondary">
                    newest
                  </Typography>
                ) : (
                  <Box sx={{ display: 'flex', gap: 0.5 }}>
                    <Button
                      size="small"
                      color="inherit"
                      aria-expanded={isOpen}
                      onClick={() => setCompared(isOpen ? null : revision.number)}
                    >
                      {isOpen ? 'Hide' : 'Compare'}
                    </Button>
                    <IfMay call="revisions.restore">
                      <Button
                        size="small"
                        disabled={restore.isPending}
                        onClick={() => restore.mutate(revision.number)}
                        aria-label={`Bring revision ${revision.number} back`}
                      >
                        Bring back
                      </Button>
                    </IfMay>
                  </Box>
                )}
              </Box>
              {isOpen && <Comparison embed={embed.key} from={revision.number} to={embed.revision} />}
            </Box>
          );
        })}
      </Box>
      <More list={list} />
    </>
  );
}
