import { Readable } from 'node:stream';
import type { ReadableStream as WebStream } from 'node:stream/web';
import { Decrypter, Encrypter, generateIdentity, identityToRecipient } from 'age-encryption';
import { CannotCopy } from './cannot-copy.ts';

/** With what an encrypted file begins (age-encryption.org/v1). */
export const ageHeader = 'age-encryption.org/v1';

/** A new key: its private half, and the public one. */
export async function newIdentity(): Promise<{ identity: string; recipient: string }> {
  const identity = await generateIdentity();
  return { identity, recipient: await identityToRecipient(identity) };
}

/** The public half of a key. @throws CannotCopy */
export async function recipientOf(identity: string): Promise<string> {
  return identityToRecipient(identity).catch(() => {
    throw new CannotCopy('That is no age key: one begins with AGE-SECRET-KEY-.');
  });
}

/** Encrypts what is read, for whoever has the private half of one of these. @throws CannotCopy */
export async function encrypted(from: Readable, recipients: readonly string[]): Promise<Readable> {
  const encrypter = new Encrypter();
  for (const recipient of recipients) {
    try {
      encrypter.addRecipient(recipient);
    } catch {
      throw new CannotCopy(`“${recipient}” is no age recipient: one begins with age1.`);
    }
  }
  return throughWeb(from, (stream) => encrypter.encrypt(stream));
}

/** Decrypts what is read. @throws CannotCopy where none of these keys opens it. */
export async function decrypted(from: Readable, identities: readonly string[]): Promise<Readable> {
  const decrypter = new Decrypter();
  for (const identity of identities) {
    await recipientOf(identity);
    decrypter.addIdentity(identity);
  }
  return throughWeb(from, (stream) => decrypter.decrypt(stream)).catch((error: unknown) => {
    from.destroy();
    throw new CannotCopy(
      identities.length === 0
        ? 'The copy is encrypted: give the file with its key (--identity FILE).'
        : `The copy does not open with that key (${error instanceof Error ? error.message : String(error)}).`,
    );
  });
}

/* The package speaks of streams as browsers have them. */
async function throughWeb(
  from: Readable,
  turn: (stream: ReadableStream<Uint8Array>) => Promise<ReadableStream<Uint8Array>>,
): Promise<Readable> {
  const turned = await turn(Readable.toWeb(from) as unknown as ReadableStream<Uint8Array>);
  return Readable.fromWeb(turned as unknown as WebStream);
}
