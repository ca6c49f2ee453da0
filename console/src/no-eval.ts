import { config } from 'zod';

// The page's policy forbids code made of strings; the schemas must not try it. To be loaded before any schema is made.
config({ jitless: true });
