import { examination } from '../doctor.ts';
import { paths } from './paths.ts';
import { route } from './route.ts';

/** The installation itself. */
export const doctorRoutes = {
  'doctor.read': route({
    ...paths['doctor.read'],
    summary:
      'Look whether the installation is well: database, disk, clock, both of its addresses, certificates, proxy, mail, browser and safety copies',
    tag: 'Service',
    answer: examination,
    statuses: [200],
    errors: [],
  }),
};
