import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { ImportAnswer, ImportItem } from '@orbis/contract';
import { plural } from '@orbis/contract/language';

/* More than this is no list that anybody reads. */
const most = 50;

/**
 * What came of many codes, or would: how many are taken, which are there already under another name, which
 * cannot be taken.
 */
export function ImportOutcome({
  answer: { taken, doubled, refused },
  items,
}: {
  answer: ImportAnswer;
  items: readonly ImportItem[];
}) {
  return (
    <>
      <Typography>
        {plural(items.length, 'code')}: {taken.length} can be taken in
        {doubled.length > 0 && `, ${doubled.length} of them with the same code as another`}
        {refused.length > 0 && `, ${refused.length} cannot`}.
      </Typography>
      {refused.length > 0 && (
        <Alert severity="error" variant="outlined">
          These cannot be taken in:
          <List>
            {refused.slice(0, most).map(({ item, name, detail }) => (
              <li key={item}>
                <strong>{name}</strong> (number {item}): {detail}
              </li>
            ))}
            {refused.length > most && <li>And {refused.length - most} more.</li>}
          </List>
        </Alert>
      )}
      {doubled.length > 0 && (
        <Alert severity="info" variant="outlined">
          These have the same code as another; they are taken in all the same:
          <List>
            {doubled.slice(0, most).map(({ item, name, embed, sameAs }) => (
              <li key={item}>
                {name} is the same as{' '}
                {embed ? (
                  <Link to={`/collection/${embed}`}>{embed}</Link>
                ) : (
                  `number ${sameAs}, ${items[(sameAs ?? 1) - 1]?.name ?? ''}`
                )}
              </li>
            ))}
            {doubled.length > most && <li>And {doubled.length - most} more.</li>}
          </List>
        </Alert>
      )}
    </>
  );
}

const List = ({ children }: { children: React.ReactNode }) => (
  <Box component="ul" sx={{ m: 0, mt: 0.5, pl: 2.5 }}>
    {children}
  </Box>
);
