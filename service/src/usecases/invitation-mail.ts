import type { Logger } from 'pino';
import { spoken, type mailings } from '@orbis/contract';
import { momentOf } from '../moment.ts';
import type { Mailer } from '../news/mailer.ts';
import type { Person } from '../store/people.ts';
import { newPublicId } from '../store/ids.ts';

/** What a mail with an invitation says. */
export interface InvitationMail {
  person: Pick<Person, 'name' | 'email' | 'passwordHash'>;
  /** Who invites. */
  by: string;
  /** What they are invited as, in words. */
  grants: string;
  link: string;
  expiresAt: Date;
}

/**
 * Sends an invitation by mail, where there is a mail server and an address. Whoever invites has the link as
 * well, so a mail that does not get through ends nothing.
 */
export async function mailInvitation(
  { person: { name, email }, by, grants, link, expiresAt }: InvitationMail,
  { mailer, log, now }: { mailer: Mailer | null; log: Logger; now: Date },
): Promise<(typeof mailings)[number]> {
  if (email === null) return 'no-address';
  if (mailer === null) return 'no-mail-server';
  const { subject, text } = spoken.people.invitation;
  const until = momentOf(expiresAt);
  try {
    await mailer.send({
      to: email,
      subject: subject(by),
      text: text({ name, by, grants, link, until }),
      id: `${newPublicId()}@${new URL(link).hostname}`,
      date: now,
    });
    return 'sent';
  } catch (error) {
    log.warn({ err: error }, 'an invitation could not be sent');
    return 'failed';
  }
}
