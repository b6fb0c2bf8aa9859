/** What the operating system says of a server that does not answer. */
const NO_CONNECTION = ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'EHOSTUNREACH'];

/** What the driver says of a connection that broke, after the statement where there was one. */
const BROKEN =
  /(^| - )(Connection terminated|Connection ended|timeout expired|timeout exceeded when trying to connect|Query read timeout|Client has encountered a connection error|Client was closed)/;

/**
 * True where an error says that the database is not there now, rather than that something was
 * wrong with what was asked: SQLSTATE class 08 and 57P (PostgreSQL, appendix A), too many
 * connections, a pool with none left, or a connection that broke.
 */
export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code = '', errors } = error as { code?: string; errors?: unknown[] };
  return (
    /^(08...|57P0[1-5]|53300)$/.test(code) ||
    NO_CONNECTION.includes(code) ||
    error.name === 'KnexTimeoutError' ||
    BROKEN.test(error.message) ||
    // 55000 is any object in a wrong state; this one is a database closed for maintenance.
    (code === '55000' && error.message.includes('accepting connections')) ||
    (errors ?? []).some(isDatabaseAway)
  );
}
