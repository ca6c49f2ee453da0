import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { HeadThing, SiteHead } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { api, refresh } from '../../api.ts';
import { useAnnounce } from '../../components/Announcer.tsx';
import { ProblemNote } from '../../components/ProblemNote.tsx';
import { formatWhen } from '../../components/when.ts';

/** Everything that pages of a site need once, each with whether it stands in the head of all. */
export function HeadThings({ head: { site, things }, etag }: { head: SiteHead; etag: string }) {
  const announce = useAnnounce();
  const choose = useMutation({
    mutationFn: async ({ thing, keep }: { thing: HeadThing; keep: boolean }) => {
      const body = keep ? { keep: [thing.digest] } : { leave: [thing.digest] };
      await api.call('heads.change', { params: { site }, ifMatch: etag, body });
      return keep;
    },
    onSuccess: async (keep) => {
      await refresh('sites');
      announce(
        keep
          ? 'It stands once for the whole site now. The register says which pages carry an earlier code.'
          : 'Each page has it for itself again. The register says which pages carry an earlier code.',
      );
    },
  });
  // What was just chosen shows at once.
  const isOn = ({ digest, kept }: HeadThing): boolean =>
    choose.isPending && choose.variables.thing.digest === digest ? choose.variables.keep : kept;
  return (
    <>
      <ProblemNote error={choose.error} />
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {things.map((thing) => (
          <Box
            component="li"
            key={thing.digest}
            sx={{
              'py': 2,
              'borderTop': 1,
              'borderColor': 'divider',
              '&:first-of-type': { borderTop: 0, pt: 0 },
            }}
          >
            <Typography sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
              {spoken.siteHead.called(thing)}
            </Typography>
            <Typography color="textSecondary">{spoken.siteHead.says(thing, formatWhen)}</Typography>
            <FormControlLabel
              control={
                <Switch
                  checked={isOn(thing)}
                  disabled={choose.isPending}
                  onChange={(_, keep) => choose.mutate({ thing, keep })}
                />
              }
              label="Once in the head of the whole site"
            />
          </Box>
        ))}
      </Box>
    </>
  );
}
