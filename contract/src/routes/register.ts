import { registerCounts, registerType } from '../register-file.ts';
import { pathOf, paths } from './paths.ts';
import { route } from './route.ts';

const tag = 'Register';

/** The register as a whole. */
export const registerRoutes = {
  'register.read': route({
    ...paths['register.read'],
    summary: 'The whole register, as a JSON text in each line; docs/register-file.schema.json describes them',
    tag,
    stream: registerType,
    statuses: [200],
    errors: [],
  }),
  'register.create': route({
    ...paths['register.create'],
    summary: 'Take a whole register in, where there is none yet: all of it, or nothing',
    tag,
    takes: registerType,
    answer: registerCounts,
    statuses: [201],
    location: () => pathOf('register.read'),
    errors: ['register-not-empty', 'register-file-invalid', 'reading-too-slow'],
  }),
  'register.table': route({
    ...paths['register.table'],
    summary: 'Every placement as a row of a table, for spreadsheets (RFC 4180)',
    tag,
    stream: 'text/csv',
    statuses: [200],
    errors: [],
  }),
};
