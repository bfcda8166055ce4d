import { randomUUID } from 'node:crypto';
import type { Problem } from './answers';

/** What an exception is answered with, and what of it goes into the log. */
export interface Failure {
  readonly status: number;
  readonly problem: Problem;
  /** Heading of its page, where that is not the usual one. */
  readonly title?: string;
  /** Under which the log has it. */
  readonly id: string;
}

const textOf = (error: unknown): { code: string; message: string } => ({
  code: error instanceof Error && 'code' in error ? String(error.code) : '',
  message: error instanceof Error ? error.message : String(error),
});

/** PostgreSQL is not there, stops, has too many guests, or two writes stood in each other's way. */
const BUSY = new Set(['ECONNREFUSED', 'ECONNRESET', '57P01', '57P03', '53300', '40001', '40P01', '08006']);

/**
 * An exception as an answer: a database that another program holds is busy, a full disk is full; all else is a fault of ours,
 * told under an id that the log has.
 */
export function failureOf(error: unknown, id: string = randomUUID().slice(0, 8)): Failure {
  const { code, message } = textOf(error);
  if (
    code.startsWith('SQLITE_BUSY') ||
    BUSY.has(code) ||
    /database is locked|Timeout acquiring a connection/.test(message)
  ) {
    return {
      id,
      status: 503,
      problem: { where: 'Ombra', what: 'The database is busy; nothing was changed. Try again in a moment.' },
    };
  }
  if (code === '22021') {
    return {
      id,
      status: 422,
      problem: {
        where: 'the request',
        what: 'This holds a character that cannot be kept; type it anew.',
      },
    };
  }
  if (
    code.startsWith('SQLITE_FULL') ||
    code === 'ENOSPC' ||
    code === '53100' ||
    code.startsWith('SQLITE_IOERR')
  ) {
    return {
      id,
      status: 503,
      problem: {
        where: 'Ombra',
        what: 'The disk is full or does not take the write; nothing was changed, and your edits wait in the browser. Make room on the disk.',
      },
    };
  }
  return {
    id,
    status: 500,
    problem: {
      where: 'Ombra',
      what: `Something broke here, not with you; nothing saved was lost. Try again; the log has it as ${id}.`,
    },
  };
}

/** Whether the client has gone: the page closed before its request was complete. */
export const isGone = (error: unknown): boolean => {
  const { code, message } = textOf(error);
  return code === 'ECONNRESET' || code === 'ABORT_ERR' || message === 'aborted';
};

/** Characters of a message that go into the log: a statement's values, and so whole plans, stand further on. */
const LONGEST_MESSAGE = 160;

/** An exception for the log: never a statement with its values, nor a plan. */
export function logged(error: unknown): Readonly<Record<string, string>> {
  const { code, message } = textOf(error);
  // A database driver's message is the statement, then the reason behind its last dash.
  const reason = /\b(insert|update|select|delete)\b/i.test(message)
    ? (message.split(' - ').at(-1) ?? '')
    : message;
  const stack =
    error instanceof Error ? (error.stack ?? '').split('\n').filter((line) => /^\s+at /.test(line)) : [];
  return {
    code,
    message: reason.slice(0, LONGEST_MESSAGE),
    at: stack
      .slice(0, 4)
      .map((line) => line.trim())
      .join(' < '),
  };
}
