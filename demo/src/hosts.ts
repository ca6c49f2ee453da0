import type { Request } from 'express';

/** The hosts of the demo; all of them answer on one port and are told apart by name. */
export const hosts = {
  index: 'demo.localhost',
  post: 'post.localhost',
  kinorill: 'kinorill.localhost',
  kinorillPlayer: 'play.kinorill.localhost',
  kinorillQuiet: 'quiet.kinorill.localhost',
  formwold: 'formwold.localhost',
  hollinfell: 'hollinfell.localhost',
} as const;

/** The address of a demo host as the caller reaches it: its own port counts. */
export function originFor(request: Request, host: string): string {
  const port = /:(\d+)$/.exec(request.get('host') ?? '')?.[1];
  return `http://${host}${port ? `:${port}` : ''}`;
}
