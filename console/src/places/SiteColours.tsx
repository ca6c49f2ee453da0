import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { ColoursFound, Site } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { Swatch } from '../components/Swatch.tsx';

const most = 10;

/** The colours of a site, read from its pages: those that are ticked are offered where an embed has one. */
export function SiteColours({
  site,
  colours,
  onChange,
}: {
  site: Site;
  colours: readonly string[];
  onChange: (colours: string[]) => void;
}) {
  const read = useMutation({
    mutationFn: async () => (await api.call('sites.colours', { params: { site: site.key }, body: {} })).data,
    // Whoever has none yet wants those that were found.
    onSuccess: (found) => {
      if (colours.length === 0) onChange(found.colours.map(({ colour }) => colour));
    },
  });
  const shown = rowsOf(colours, read.data);
  const toggle = (colour: string): void =>
    onChange(colours.includes(colour) ? colours.filter((each) => each !== colour) : [...colours, colour]);
  return (
    <Card title="Its colours">
      <Stack spacing={1.5}>
        <Typography variant="body2" color="textSecondary">
          Those that are ticked are offered wherever an embed has a colour: a line, a panel, a tint.
        </Typography>
        {shown.length > 0 && (
          <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, columnGap: 3 }}>
            {shown.map(({ colour, where }) => (
              <FormControlLabel
                key={colour}
                disabled={!colours.includes(colour) && colours.length >= most}
                control={<Checkbox checked={colours.includes(colour)} onChange={() => toggle(colour)} />}
                label={
                  <Box sx={{ display: 'flex', gap: 1.25, alignItems: 'center', minWidth: 0 }}>
                    <Swatch colour={colour} />
                    <span>{colour}</span>
                    <Typography component="span" variant="body2" color="textSecondary" noWrap>
                      {where}
                    </Typography>
                  </Box>
                }
                slotProps={{ typography: { sx: { minWidth: 0 } } }}
                sx={{ minWidth: 0 }}
              />
            ))}
          </Box>
        )}
        <Box>
          <Button variant="outlined" loading={read.isPending} onClick={() => read.mutate()}>
            Read them from the site
          </Button>
        </Box>
        <ProblemNote error={read.error} />
        {read.data && (
          <Typography variant="body2" color="textSecondary" aria-live="polite">
            {read.data.colours.length === 0 ? 'No colours stand there. ' : ''}Read of {read.data.page} and{' '}
            {plural(read.data.sheets, 'style sheet')}
            {read.data.unread.length > 0 && `; ${plural(read.data.unread.length, 'sheet')} could not be read`}
            .
          </Typography>
        )}
      </Stack>
    </Card>
  );
}

/* Those that are kept, and those that were found, each once. */
function rowsOf(
  kept: readonly string[],
  found: ColoursFound | undefined,
): { colour: string; where: string }[] {
  const read = (found?.colours ?? []).map(({ colour, where }) => ({ colour, where: where[0] ?? '' }));
  const others = kept.filter((colour) => !read.some((each) => each.colour === colour));
  return [...others.map((colour) => ({ colour, where: '' })), ...read];
}
