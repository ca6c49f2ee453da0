import { today } from '../today.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

export const todayRoutes = {
  'today.read': route({
    ...paths['today.read'],
    summary: 'What wants doing: what is not as it should be, and what a new owner has not done yet',
    tag: 'Register',
    answer: today,
    statuses: [200],
    errors: [],
  }),
};
