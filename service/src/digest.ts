import { createHash } from 'node:crypto';

/** SHA-256 in hexadecimal. */
export const digest = (text: string): string => createHash('sha256').update(text).digest('hex');
