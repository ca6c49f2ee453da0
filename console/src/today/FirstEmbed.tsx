import CheckIcon from '@mui/icons-material/Check';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { Link } from 'react-router';
import type { Today } from '@orbis/contract';
import { Card } from '../components/Card.tsx';

type Has = Today['has'];

const steps: readonly { done: keyof Has; title: string; says: string; to: string; button: string }[] = [
  {
    done: 'embeds',
    title: 'Collect a code',
    says: 'Paste what a provider gave you: a code, or the link of what you want to show.',
    to: '/collect',
    button: 'Paste a code or link',
  },
  {
    done: 'spots',
    title: 'Say where your pages have room',
    says: 'Declare your site, a page of it, and the spot where something is to stand.',
    to: '/places',
    button: 'Add your site',
  },
  {
    done: 'placements',
    title: 'Place it',
    says: 'Open the embed in your collection, and choose the spot under “Where it goes”.',
    to: '/collection',
    button: 'Open the collection',
  },
  {
    done: 'seen',
    title: 'Paste it, and see it live',
    says: 'Copy its code into your page and publish it. Then have the page read: Orbis tells whether it arrived.',
    to: '/register',
    button: 'Copy its code',
  },
];

/** The way from nothing to an embed that is seen live, step by step. */
export function FirstEmbed({ has }: { has: Has }) {
  const next = steps.findIndex(({ done }) => !has[done]);
  return (
    <Card title="Your first embed">
      <Box component="ol" sx={{ m: 0, p: 0, listStyle: 'none' }}>
        {steps.map(({ done, title, says, to, button }, at) => (
          <Box
            component="li"
            key={done}
            sx={{ display: 'grid', gridTemplateColumns: '2.25rem 1fr', columnGap: 1, py: 1.25 }}
          >
            <Typography
              aria-hidden
              sx={{ fontWeight: 700, color: has[done] ? 'success.main' : 'text.secondary' }}
            >
              {has[done] ? <CheckIcon fontSize="small" /> : at + 1}
            </Typography>
            <Box>
              <Typography sx={{ fontWeight: at === next ? 700 : 400 }}>
                {title}
                {has[done] && (
                  <Typography component="span" color="textSecondary">
                    {': done'}
                  </Typography>
                )}
              </Typography>
              {at === next && (
                <>
                  <Typography color="textSecondary" sx={{ mb: 1.5 }}>
                    {says}
                  </Typography>
                  <Button component={Link} to={to} variant="contained">
                    {button}
                  </Button>
                </>
              )}
            </Box>
          </Box>
        ))}
      </Box>
    </Card>
  );
}
