import { setTimeout as wait } from 'node:timers/promises';
import { json, Router, urlencoded, type Handler, type Request, type Response } from 'express';
import { escapeHtml, htmlPage } from './html.ts';

/** What can be wrong with a provider, to see how Orbis and a page take it. */
export const faultNames = ['slow', 'gone', 'refuses-frames', 'redirects', 'wrong-type', 'oversized'] as const;
export type Fault = (typeof faultNames)[number];
const isFault = (name: unknown): name is Fault => faultNames.includes(name as Fault);

const slowly = 3_000;
const tooMuch = 12_000_000;

/** The faults of one demo world: switched by a page and by a call, kept until it ends. */
export class Faults {
  readonly #now = new Map<string, Fault>();

  /** What is done to an answer of this provider before it is given. */
  before(provider: string): Handler {
    return async (request, response, next) => {
      switch (this.#now.get(provider)) {
        case 'slow':
          await wait(slowly);
          return next();
        case 'gone':
          return void response.status(410).type('text/plain').send('This is gone.\n');
        case 'refuses-frames':
          response.set({ 'X-Frame-Options': 'DENY', 'Content-Security-Policy': "frame-ancestors 'none'" });
          return next();
        case 'redirects':
          return response.redirect(302, `http://demo.localhost:${request.socket.localPort}/elsewhere`);
        case 'wrong-type':
          return void response.type('application/octet-stream').send(Buffer.from([0, 1, 2, 3]));
        case 'oversized':
          return void response.type('text/html').send('x'.repeat(tooMuch));
        default:
          return next();
      }
    };
  }

  /** `GET /faults` is the page, `PUT /faults/:provider` with `{"fault": "slow"}` (or null) the call. */
  router(providers: readonly { id: string; name: string }[]): Router {
    const router = Router();
    const known = (id: string | undefined): boolean => providers.some((provider) => provider.id === id);
    router.get('/faults', (_request, response) => void response.send(this.#page(providers)));
    router.post(
      '/faults',
      urlencoded({ extended: false }),
      (request: Request<object, unknown, Record<string, string> | undefined>, response) => {
        const { provider = '', fault = '' } = request.body ?? {};
        if (known(provider)) this.#set(provider, isFault(fault) ? fault : null);
        response.redirect(303, '/faults');
      },
    );
    router.put(
      '/faults/:provider',
      json(),
      (
        request: Request<{ provider: string }, unknown, { fault?: unknown } | undefined>,
        response: Response,
      ) => {
        const fault = request.body?.fault ?? null;
        if (!known(request.params.provider))
          return void response
            .status(404)
            .json({ detail: `There is no provider ${request.params.provider}.` });
        if (fault !== null && !isFault(fault))
          return void response
            .status(422)
            .json({ detail: `A fault is null or one of ${faultNames.join(', ')}.` });
        this.#set(request.params.provider, fault);
        response.json({ provider: request.params.provider, fault });
      },
    );
    return router;
  }

  #set(provider: string, fault: Fault | null): void {
    if (fault === null) this.#now.delete(provider);
    else this.#now.set(provider, fault);
  }

  #page(providers: readonly { id: string; name: string }[]): string {
    const rows = providers.map(({ id, name }) => {
      const options = ['', ...faultNames]
        .map(
          (fault) =>
            `<option value="${fault}"${(this.#now.get(id) ?? '') === fault ? ' selected' : ''}>${fault || 'nothing is wrong'}</option>`,
        )
        .join('');
      return `<form method="post"><input type="hidden" name="provider" value="${id}"><label>${escapeHtml(name)} <select name="fault" onchange="this.form.submit()">${options}</select></label><noscript><button>Switch</button></noscript></form>`;
    });
    return htmlPage({
      title: 'Faults',
      style: '/world/world.css',
      body: `<main><h1>Faults</h1><p>What is wrong with a provider, until the demo ends.</p>${rows.join('\n')}<p><a href="/">All providers</a></p></main>`,
    });
  }
}
