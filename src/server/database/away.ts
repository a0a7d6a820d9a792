import { ConnectionError } from 'sequelize';

/** What PostgreSQL and the system answer while the database goes away or comes back (class 57 of its error codes). */
const AWAY = new Set(['57P01', '57P02', '57P03', 'ECONNREFUSED', 'ECONNRESET', 'EPIPE']);

/** Whether an error says that the database is away for the moment, not that something is wrong with what was asked of it. */
export function isDatabaseAway(error: unknown): boolean {
  if (error instanceof ConnectionError) return true;
  const { code, message, parent } = (error ?? {}) as {
    code?: string;
    message?: string;
    parent?: { code?: string };
  };
  return AWAY.has(code ?? parent?.code ?? '') || /Connection terminated/i.test(message ?? '');
}
