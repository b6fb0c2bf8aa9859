import { spawn } from 'node:child_process';

/** How long to wait before each start after the first, in seconds; the last holds from then on. */
const PAUSES = [0, 1, 2, 5, 10, 30];
/** Killed so often before it ever answered, it will not. */
const MOST_KILLED_BEFORE = 3;

/**
 * Starts a server and starts it again however it ends, for as long as it is not stopped. Only a server
 * that has never yet answered and says itself that it cannot start is left at that: its words stand
 * above, and trying again would say them again. That it answers it tells by a message.
 *
 * `say` is told in words what happens; `ended` with the exit code when there is no server any more.
 */
export function keepRunning(args, { say, ended, pauses = PAUSES, ...options }) {
  let server;
  let stopping = false;
  let answered = false;
  let answeredNow = false;
  let failures = 0;
  let waiting;

  function start() {
    answeredNow = false;
    server = spawn(process.execPath, args, {
      ...options,
      // The fourth stream tells the server when this process is gone, however it went.
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
    });
    server.on('message', () => (answered = answeredNow = true));
    server.once('exit', over);
  }

  function over(code, signal) {
    if (stopping) return ended(0);
    failures = answeredNow ? 0 : failures + 1;
    if (!answered && (signal === null || failures >= MOST_KILLED_BEFORE)) {
      if (signal !== null)
        say(`The server was ended by ${signal} before it answered, ${failures} times.`);
      return ended(code || 1);
    }
    const pause = pauses[Math.min(failures, pauses.length - 1)];
    const when = pause === 0 ? 'now' : `in ${pause} s`;
    say(`The server ended (${signal ?? code}); it is started again ${when}.`);
    waiting = setTimeout(start, pause * 1000);
  }

  start();
  return {
    /** Lets it finish what is under way; what has not ended after that long is ended. */
    stop(longestMilliseconds) {
      stopping = true;
      clearTimeout(waiting);
      if (server.exitCode !== null || server.signalCode !== null) return ended(0);
      server.kill('SIGTERM'); // its exit comes back to over
      setTimeout(() => server.kill('SIGKILL'), longestMilliseconds).unref();
    },
  };
}
