import pg from 'pg';
import type { Logger } from 'pino';

const CONNECT_MILLISECONDS = 5_000;
const AGAIN_MILLISECONDS = 1_000;
const BEAT_MILLISECONDS = 2_000;
/** A database that has not answered a beat for so long is not there, whatever its sockets say. */
const SILENT_MILLISECONDS = 12_000;
/** A machine that stood still wakes with its timers first; what had come meanwhile is read then. */
const WAKING_MILLISECONDS = 1_000;

export interface Listened {
  /** Something was told on the channel. */
  heard(payload: string): void;
  /** Listening again after it could not; what was told meanwhile is not known. */
  again(): void;
  /** The network swallows what is sent: every other connection waits for nothing, too. */
  silent(): void;
}

/**
 * One connection that listens on a channel for as long as the server runs. However it ends, one new
 * one is tried at a time, a second after the last, until the database is back.
 *
 * A network that swallows ends no connection: the kernel would go on sending for a quarter of an
 * hour. So the connection asks for a sign of life every two seconds, and breaks off without one.
 */
export class Listener {
  private client: pg.Client | undefined;
  private stopped = false;
  private running: Promise<void> | undefined;

  constructor(
    private readonly url: string,
    private readonly channel: string,
    private readonly listened: Listened,
    private readonly logger: Logger,
  ) {}

  /** Answers when it listens for the first time. */
  async start(): Promise<void> {
    await new Promise<void>((listening) => {
      this.running = this.listenOnAndOn(listening);
    });
  }

  async stop(): Promise<void> {
    this.stopped = true;
    breakOff(this.client);
    await this.running;
  }

  private async listenOnAndOn(listening: () => void): Promise<void> {
    for (let first = true; !this.stopped;) {
      await this.listenOnce(() => {
        if (first) listening();
        else this.listened.again();
        first = false;
      }).catch((error: unknown) => {
        if (!this.stopped) this.logger.warn({ err: error }, 'hints wait for the database');
      });
      if (!this.stopped) await pause(AGAIN_MILLISECONDS);
    }
    listening();
  }

  /** Listens until the connection ends, or nothing comes through it any more. */
  private async listenOnce(listening: () => void): Promise<void> {
    const client = new pg.Client({
      connectionString: this.url,
      connectionTimeoutMillis: CONNECT_MILLISECONDS,
      application_name: 'kritikos hints',
    });
    this.client = client;
    const ended = new Promise<void>((resolve) => client.once('end', () => resolve()));
    client.on('error', () => undefined); // a failed connection rejects below, one that broke ends
    client.on('notification', ({ payload }) => this.listened.heard(payload ?? '{}'));
    try {
      await client.connect();
      await client.query(`listen ${pg.escapeIdentifier(this.channel)}`);
      if (this.stopped) return;
      listening();
      while (await this.beats(client, ended)) await Promise.race([ended, pause(BEAT_MILLISECONDS)]);
    } finally {
      breakOff(client);
    }
  }

  /** Whether the database answers; false where the connection ended, or is silent. */
  private async beats(client: pg.Client, ended: Promise<void>): Promise<boolean> {
    const over = ended.then(() => false);
    const answered = client.query('select 1').then(
      () => true,
      () => false,
    );
    const silent = pause(SILENT_MILLISECONDS)
      .then(() => pause(WAKING_MILLISECONDS))
      .then(() => 'silent' as const);
    const beat = await Promise.race([over, answered, silent]);
    if (beat !== 'silent') return beat;
    this.logger.warn('the database does not answer; its connections are broken off');
    this.listened.silent();
    return false;
  }
}

/** Ends a connection without asking the other side, which may not hear. */
function breakOff(client: pg.Client | undefined): void {
  (
    client as { connection?: { stream: { destroy(): void } } } | undefined
  )?.connection?.stream.destroy();
}

function pause(milliseconds: number): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve, milliseconds).unref());
}
