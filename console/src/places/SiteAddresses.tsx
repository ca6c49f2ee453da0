import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { Site } from '@orbis/contract';
import { Card } from '../components/Card.tsx';
import { SweepElsewhere } from './SweepElsewhere.tsx';

/** Where a site is to be seen beside its address: one address a line. */
export function SiteAddresses({
  site: { key, furtherAddresses },
  lines,
  onChange,
}: {
  site: Pick<Site, 'key' | 'furtherAddresses'>;
  lines: string;
  onChange: (lines: string) => void;
}) {
  return (
    <Card title="Where else it is to be seen">
      <TextField
        label="Further addresses"
        value={lines}
        onChange={(event) => onChange(event.target.value)}
        multiline
        minRows={2}
        maxRows={6}
        placeholder={'https://www.hollinfell.example\nhttps://preview.hollinfell.example'}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
        One in each line: with or without www, a preview, a site where changes are tried out. What Orbis
        serves for this site is shown there too; anywhere else browsers refuse it.
      </Typography>
      {furtherAddresses.map((at) => (
        <div key={at}>
          <SweepElsewhere site={key} at={at} />
        </div>
      ))}
    </Card>
  );
}

/** The addresses that stand in lines. */
export const addressesIn = (lines: string): string[] =>
  lines
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '');
