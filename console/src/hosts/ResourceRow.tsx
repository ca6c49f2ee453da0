import Box from '@mui/material/Box';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Resource } from '@orbis/contract';
import { formatBytes, plural, spoken } from '@orbis/contract/language';
import { ListRow } from '../components/ListRow.tsx';
import { formatWhen } from '../components/when.ts';
import { Wellness } from './Wellness.tsx';

const columns = { xs: '1fr', md: 'minmax(0, 1fr) 230px' };

/** Something that placed embeds load: its address, how it was answered, and which embeds have it. */
export function ResourceRow({ resource }: { resource: Resource }) {
  const { address, state, use, embeds, embedCount, why, movedTo, askedAt } = resource;
  return (
    <ListRow columns={columns}>
      <MuiLink href={address} target="_blank" rel="noreferrer" sx={{ overflowWrap: 'anywhere' }}>
        {address}
      </MuiLink>
      <Box sx={{ textAlign: { md: 'right' } }}>
        <Wellness isWell={state === 'waiting' ? null : state === 'well'}>
          {spoken.loaded.states[state]}
        </Wellness>
      </Box>
      <Typography color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
        {[spoken.loaded.uses[use], ...factsOf(resource)].join(' · ')}
        {embeds.length > 0 && ' · '}
        {embeds.map(({ key, name }, at) => (
          <span key={key}>
            {at > 0 && ', '}
            <Link to={`/collection/${key}`}>{name}</Link>
          </span>
        ))}
        {embedCount > embeds.length && ` and ${plural(embedCount - embeds.length, 'more embed')}`}
      </Typography>
      <Typography color="textSecondary" sx={{ textAlign: { md: 'right' } }}>
        {askedAt === null ? '' : formatWhen(askedAt)}
      </Typography>
      {(why !== '' || movedTo !== null) && (
        <Typography sx={{ gridColumn: '1 / -1', overflowWrap: 'anywhere' }}>
          {why === '' ? `It leads on to ${movedTo ?? ''}` : upper(why)}
        </Typography>
      )}
    </ListRow>
  );
}

const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function factsOf({ bytes, width, height, length, took }: Resource): string[] {
  return [
    ...(width === null || height === null ? [] : [`${width} × ${height} px`]),
    ...(length === null ? [] : [`${Math.round(length)} seconds`]),
    ...(bytes === null ? [] : [formatBytes(bytes)]),
    ...(took === null ? [] : [`answered in ${spoken.loaded.took(took)}`]),
  ];
}
