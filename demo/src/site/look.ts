import { fileURLToPath } from 'node:url';
import { static as serveFiles, type Handler } from 'express';

/** The style sheet and pictures of the demo's sites, below `/site`. */
export const look = (): Handler => serveFiles(fileURLToPath(new URL('../../assets/site', import.meta.url)));
