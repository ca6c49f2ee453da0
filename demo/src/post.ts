import { Router } from 'express';
import { simpleParser, type ParsedMail } from 'mailparser';
import { SMTPServer } from 'smtp-server';
import { escapeHtml, htmlPage } from './html.ts';

/* So many mails are kept. */
const mostKept = 50;

/** The post office of the demo: a mail server that takes whatever it is sent, and shows it. */
export interface PostOffice {
  /** A page with all mail that came, the newest first. */
  pages: Router;
  stop(): Promise<void>;
}

/**
 * Starts a mail server on loopback (RFC 5321), without names and passwords.
 * @throws the system's error when the port is taken.
 */
export async function startPostOffice(port: number): Promise<PostOffice> {
  const mails: ParsedMail[] = [];
  const server = new SMTPServer({
    ...{ disabledCommands: ['STARTTLS', 'AUTH'], logger: false, size: 1_000_000 },
    onData: (stream, _session, done) => {
      simpleParser(stream).then(
        (mail) => {
          mails.unshift(mail);
          mails.length = Math.min(mails.length, mostKept);
          done();
        },
        (error: unknown) => done(error as Error),
      );
    },
  });
  await new Promise<void>((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', resolve);
  });
  // Who hangs up in the middle is no matter of the others.
  server.on('error', () => undefined);
  return {
    pages: pagesOf(mails),
    stop: () => new Promise((resolve) => server.close(() => resolve())),
  };
}

function pagesOf(mails: readonly ParsedMail[]): Router {
  const router = Router();
  router.get('/', (_request, response) => {
    const shown = mails.map(
      ({ subject = '', to, date, text = '' }) =>
        `<article><h2>${escapeHtml(subject)}</h2><p>To ${escapeHtml(addressesOf(to))}, ${escapeHtml(date?.toUTCString() ?? '')}</p><pre>${escapeHtml(text)}</pre></article>`,
    );
    const body = `<main><h1>The post</h1>${shown.join('\n') || '<p>No mail has come yet.</p>'}</main>`;
    response.send(htmlPage({ title: 'The post', style: '/world/world.css', body }));
  });
  return router;
}

const addressesOf = (to: ParsedMail['to']): string =>
  [to ?? []]
    .flat()
    .map(({ text }) => text)
    .join(', ');
