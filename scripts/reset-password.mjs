// A one-time link for a new password, of whoever is named where there are several people; to be run on the
// server's own machine while Orbis is running.
import { setUp } from './setup.mjs';

setUp();
await import('../service/dist/programs/reset-password.mjs');
