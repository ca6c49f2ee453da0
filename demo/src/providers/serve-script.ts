import { fileURLToPath } from 'node:url';
import { Router } from 'express';

const scripts = fileURLToPath(new URL('../../assets/scripts/', import.meta.url));

/** Serves one script of a provider under the name that its codes load it by. */
export function scriptHost(path: string, file: string): Router {
  return Router().get(path, (_request, response) =>
    response.sendFile(file, { root: scripts, maxAge: 60_000 }),
  );
}
