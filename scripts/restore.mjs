// Puts a safety copy back, into a folder of its own; to be run on the server's own machine.
import { setUp } from './setup.mjs';

setUp();
await import('../service/dist/programs/restore.mjs');
