import Box from '@mui/material/Box';
import MuiLink from '@mui/material/Link';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Inspection, Loss } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { levels } from '../attention/levels.tsx';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

/** What came of the check of a site. */
export function Outcome({ inspection }: { inspection: Inspection }) {
  const { id, lost, createdAt, looks, unknown } = inspection;
  const list = useList('inspections.losses', {}, { inspection: id });
  const notes = [
    spoken.inspections.looked(looks.done - looks.failed.length),
    ...(unknown > 0 ? [spoken.inspections.unknown(unknown)] : []),
    ...looks.failed.map((each) => spoken.inspections.notLooked(each)),
  ];
  return (
    <Card title={formatWhen(createdAt)}>
      <Typography sx={{ fontSize: '1.125rem', mb: lost > 0 ? 2 : 1 }}>
        {spoken.inspections.result(inspection)}
      </Typography>
      <ProblemNote error={list.error} />
      {lost > 0 && (
        <Box component="ul" sx={{ m: 0, mb: 2, p: 0, listStyle: 'none' }}>
          {list.items.map((loss) => (
            <OneLoss key={`${loss.place} ${loss.embed} ${loss.rule} ${loss.look}`} loss={loss} />
          ))}
        </Box>
      )}
      <More list={list} />
      {notes.map((note) => (
        <Typography key={note} color="textSecondary">
          {note}
        </Typography>
      ))}
    </Card>
  );
}

function OneLoss({ loss }: { loss: Loss }) {
  const { level, embed, embedName, place, page, message, details, remedy, goodAt, goodLook, look } = loss;
  const { icon, name } = levels[level];
  const to =
    look === null
      ? `/plan?${new URLSearchParams({ page })}`
      : `/looks?${new URLSearchParams({ page, look, ...(goodLook !== null && { beside: goodLook }) })}`;
  return (
    <Box component="li" sx={{ py: 1.5, borderTop: 1, borderColor: 'divider' }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, alignItems: 'baseline' }}>
        <Box role="img" aria-label={name} sx={{ lineHeight: 0, alignSelf: 'center' }}>
          {icon}
        </Box>
        <Typography component="h3" sx={{ fontWeight: 600 }}>
          <Link to={`/collection/${embed}`} style={{ color: 'inherit' }}>
            {embedName}
          </Link>
        </Typography>
        <Typography color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {place}
        </Typography>
      </Box>
      <Typography sx={{ mt: 0.5 }}>{message}</Typography>
      {details.map((each) => (
        <Typography key={each}>– {each}</Typography>
      ))}
      <Typography color="textSecondary">
        {goodAt !== null && `${spoken.inspections.wellUntil(formatWhen(goodAt), look !== null)} `}
        {remedy}
      </Typography>
      <MuiLink component={Link} to={to}>
        {look === null ? 'What is to be done on the page' : 'The pictures, side by side'}
      </MuiLink>
    </Box>
  );
}
