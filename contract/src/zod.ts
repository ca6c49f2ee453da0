import { config, z } from 'zod';
import { describeMisfit } from './misfit.ts';

// In a browser a page's policy may forbid code that is made of strings, as the console's does: the schemas
// must not try it. This stands here, because it has to be said before any schema is made.
config({ jitless: 'document' in globalThis, customError: describeMisfit });

export { z };
