import DoneIcon from '@mui/icons-material/CheckCircleOutlined';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { NewsItem } from '@orbis/contract';
import { formatRule, spoken, whereFound } from '@orbis/contract/language';
import { useList } from '../api.ts';
import { levels } from '../attention/levels.tsx';
import { Card } from '../components/Card.tsx';
import { More } from '../components/More.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';

/** What was found, came due and was solved, the newest first. */
export function LatestNews() {
  const news = useList('news.list', { limit: 15 }, {}, () => 5000);
  return (
    <Card title="What there was last">
      <ProblemNote error={news.error} />
      {news.data && news.items.length === 0 && (
        <Typography color="textSecondary">Nothing yet: a sweep of your pages may find something.</Typography>
      )}
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {news.items.map((item) => (
          <Line key={item.id} item={item} />
        ))}
      </Box>
      <More list={news} />
    </Card>
  );
}

/* Where it stands among what wants attention, as it is now. */
const wayTo = ({ finding: { list, site, rule } }: NewsItem): string =>
  `/attention?${new URLSearchParams({ list, rule, ...(site !== null && { site }) }).toString()}`;

function Line({ item }: { item: NewsItem }) {
  const { kind, at, finding } = item;
  const { icon, name } =
    kind === 'solved' ? { icon: <DoneIcon color="success" />, name: 'Solved' } : levels[finding.level];
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '28px minmax(0, 1fr)', sm: '28px minmax(0, 1fr) auto' },
        columnGap: 1.5,
        py: 0.75,
        alignItems: 'center',
      }}
    >
      <Box role="img" aria-label={name} sx={{ lineHeight: 0 }}>
        {icon}
      </Box>
      <Typography sx={{ overflowWrap: 'anywhere' }}>
        <Link to={wayTo(item)} style={{ color: 'inherit' }}>
          {spoken.news.one({
            ...{ kind, title: formatRule(finding.rule), what: finding.embedName },
            where: whereFound(finding),
          })}
        </Link>
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ gridColumn: { xs: '2', sm: 'auto' } }}>
        {formatWhen(at)}
      </Typography>
    </Box>
  );
}
