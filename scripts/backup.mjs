// A safety copy of an Orbis that is running; to be run on the server's own machine.
import { setUp } from './setup.mjs';

setUp();
await import('../service/dist/programs/backup.mjs');
