import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Today } from '@orbis/contract';
import { Card } from '../components/Card.tsx';
import { addressOfTerms } from '../terms/address-of-terms.ts';

/** Contracts that end and limits that are reached, the worst first. */
export function TermsToSee({ terms }: Pick<Today, 'terms'>) {
  return (
    <Card title="Contracts and limits" action={<Link to="/terms">All costs and terms</Link>}>
      <Box component="ul" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {terms.map((each) => (
          <Box
            component="li"
            key={addressOfTerms(each)}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: '1fr', sm: '1fr auto' },
              gap: 1.5,
              alignItems: 'center',
              py: 1,
            }}
          >
            <Box>
              <Typography sx={{ fontWeight: 700 }}>{each.name}</Typography>
              {each.findings.map(({ rule, message, remedy }) => (
                <Typography key={rule} color="textSecondary">
                  {message} {remedy}
                </Typography>
              ))}
            </Box>
            <Button
              component={Link}
              to={addressOfTerms(each)}
              variant="outlined"
              size="small"
              aria-label={`Open ${each.name}`}
              sx={{ justifySelf: 'start' }}
            >
              Open it
            </Button>
          </Box>
        ))}
      </Box>
    </Card>
  );
}
