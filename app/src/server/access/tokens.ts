import { createHash, randomBytes } from 'node:crypto';

/** Bytes of chance in a link or a session: nobody guesses that many. */
const BYTES = 32;

/** A new secret for a link or a session. */
export const newToken = (): string => randomBytes(BYTES).toString('base64url');

/** Only this is kept of a secret: whoever reads the database, or a backup of it, comes in nowhere by it. */
export const hashOf = (token: string): string => createHash('sha256').update(token).digest('hex');
