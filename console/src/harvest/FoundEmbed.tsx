import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { HarvestItem } from '@orbis/contract';
import { plural } from '@orbis/contract/language';
import { PlainCode } from '../components/CodeRuns.tsx';
import { Disclosure } from '../components/Disclosure.tsx';

interface Props {
  item: HarvestItem;
  chosen: boolean;
  name: string;
  onChoose: (yes: boolean) => void;
  onName: (name: string) => void;
}

const levelWords = {
  error: 'something is wrong with it',
  warning: 'needs a look',
  note: 'something is worth knowing',
};

/** One embed that stands on a page: to be chosen and named, or where it is in the collection. */
export function FoundEmbed({ item, chosen, name, onChoose, onName }: Props) {
  const { kind, providerName, heading, line, hosts, level, state, embed, number, text, sharesWith } = item;
  return (
    <Box
      component="li"
      sx={{
        'display': 'grid',
        'gridTemplateColumns': '42px minmax(0,1fr)',
        'gap': 1.5,
        'py': 2,
        '&:not(:last-child)': { borderBottom: 1, borderColor: 'divider' },
      }}
    >
      <Box sx={{ pt: 0.5 }}>
        {state === 'offered' ? (
          <Checkbox
            checked={chosen}
            onChange={(e) => onChoose(e.target.checked)}
            slotProps={{ input: { 'aria-label': `Collect ${item.name}` } }}
          />
        ) : (
          <Typography sx={{ textAlign: 'center', fontWeight: 700, pt: 1, color: 'text.secondary' }}>
            {number}
          </Typography>
        )}
      </Box>
      <Box sx={{ minWidth: 0 }}>
        {state === 'offered' ? (
          <TextField
            label="Name"
            size="small"
            value={name}
            onChange={(e) => onName(e.target.value)}
            disabled={!chosen}
            sx={{ width: '100%', maxWidth: 460 }}
          />
        ) : (
          <Typography sx={{ fontWeight: 600 }}>
            {item.name} – {state === 'taken' ? 'taken as ' : 'known already as '}
            <Link to={`/collection/${embed}`}>{embed}</Link>
          </Typography>
        )}
        <Typography color="textSecondary" sx={{ mt: 0.75, overflowWrap: 'anywhere' }}>
          {[
            `${kind === 'unknown' ? 'of no known kind' : kind}${providerName ? ` by ${providerName}` : hosts[0] ? ` from ${hosts[0]}` : ''}`,
            heading === null ? 'before any heading' : `under “${heading}”`,
            `line ${line}`,
            ...(sharesWith > 0 ? [`shares a script with ${plural(sharesWith, 'other')}`] : []),
            ...(level ? [levelWords[level]] : []),
          ].join(' · ')}
        </Typography>
        <Disclosure label="Show its code">
          <Box sx={{ mt: 1 }}>
            <PlainCode text={text} label={`The code of ${item.name}`} />
          </Box>
        </Disclosure>
      </Box>
    </Box>
  );
}
