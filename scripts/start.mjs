// Orbis for real, with an empty register the first time.
import { setUp } from './setup.mjs';

setUp();
await import('../service/dist/programs/main.mjs');
