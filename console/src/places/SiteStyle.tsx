import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import { mostStyle, starterStyle, wrongInStyle } from '@orbis/core';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { mono } from '../theme.ts';
import { StyleSample } from './StyleSample.tsx';

/** Why a style cannot be kept; null where it can. */
export function styleProblem(style: string): string | null {
  if (style.length > mostStyle) return `At most ${mostStyle} characters; these are ${style.length}.`;
  const wrong = wrongInStyle(style);
  return wrong === null ? null : `“${wrong}” cannot stand in it.`;
}

/** The style of a site for what is in frames of their own, beside how a form looks with it. */
export function SiteStyle({
  site,
  colours,
  style,
  onChange,
}: {
  site: string;
  colours: readonly string[];
  style: string;
  onChange: (style: string) => void;
}) {
  const start = useMutation({
    mutationFn: async () => (await api.call('sites.colours', { params: { site }, body: {} })).data,
    onSuccess: ({ colours: found, font }) =>
      onChange(
        starterStyle({ colours: colours.length > 0 ? colours : found.map(({ colour }) => colour), font }),
      ),
  });
  const problem = styleProblem(style);
  return (
    <Card title="The insides of frames">
      <Stack spacing={2}>
        <Typography variant="body2" color="textSecondary">
          What stands in a frame of its own has none of the styles of its page. It gets this style sheet
          instead, unless an embed leaves it out.
        </Typography>
        <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' } }}>
          <TextField
            label="Style sheet (CSS)"
            value={style}
            onChange={(event) => onChange(event.target.value)}
            multiline
            minRows={10}
            maxRows={18}
            error={problem !== null}
            helperText={problem ?? undefined}
            placeholder="There is none yet."
            slotProps={{
              htmlInput: {
                spellCheck: false,
                sx: { fontFamily: mono, fontSize: '0.8125rem', lineHeight: 1.6 },
              },
              inputLabel: { shrink: true },
            }}
          />
          <StyleSample style={problem === null ? style : ''} />
        </Box>
        <Box>
          <Button variant="outlined" loading={start.isPending} onClick={() => start.mutate()}>
            {style === ''
              ? 'Start with the site’s colours and font'
              : 'Begin again with the site’s colours and font'}
          </Button>
        </Box>
        <ProblemNote error={start.error} />
      </Stack>
    </Card>
  );
}
