import { fileURLToPath } from 'node:url';
import { Router } from 'express';
import { htmlPage } from '../html.ts';

const scripts = fileURLToPath(new URL('../../assets/scripts/', import.meta.url));

/** What the owner of an item sees of it, after signing in at its provider. */
export const ownersPage = (path: string, title: string, says: string): Router =>
  Router().get(path, (_request, response) => {
    response.send(htmlPage({ title, style: '', body: `<h1>${title}</h1><p>${says}</p>` }));
  });

/** Serves one script of a provider under the name that its codes load it by. */
export function scriptHost(path: string, file: string): Router {
  return Router().get(path, (_request, response) =>
    response.sendFile(file, { root: scripts, maxAge: 60_000 }),
  );
}
