import type { Account } from '@kritikos/contracts/accounts';
import type { Hint } from '@kritikos/contracts/hints';
import type { Response } from 'express';
import type { Logger } from 'pino';
import { breakConnections } from '../db/database.ts';
import type { Database } from '../db/database.ts';
import { Listener } from '../db/listener.ts';
import { examinationsOf, examinationsReadBy } from './repository.ts';

const CHANNEL = 'kritikos_hint';
/** At most one hint an examination or draft in this time, however many tablets tap. */
const EVERY_MILLISECONDS = 1_000;
/** Changes are gathered for so long before the database is told of them. */
const GATHER_MILLISECONDS = 150;
/** More pages than anybody has open at once. */
const MOST_STREAMS = 20;
const LONGEST_MILLISECONDS = 15 * 60_000;
/** A comment now and then, so that no proxy takes a quiet stream for a dead one. */
const HEARTBEAT_MILLISECONDS = 25_000;

interface Stream {
  readonly account: string;
  readonly response: Response;
  readonly examinations: ReadonlySet<string>;
  /** Drafts are written by leads; the bank belongs to all of them. */
  readonly leads: boolean;
}

/** What a process tells the others: that an examination or a draft changed, or somebody’s rights did. */
type Notice = Hint | { readonly account: string };

/**
 * Live hints: whoever looks at an examination is told that something of it changed, and reads
 * again. A hint carries no content and may be lost; on a new connection everything is read again.
 *
 * Changes are gathered and told in a statement of their own, so that marking never waits for
 * watching. Every server process hears of them from the database and tells its listeners: at once
 * after a quiet second, else when the second is over.
 */
export class Hints {
  private readonly listeners = new Set<Stream>();
  private readonly changedSheets = new Set<string>();
  private readonly changed = new Map<string, Hint>();
  private gathering: NodeJS.Timeout | undefined;
  private telling = false;
  /** What is told of in a moment, and when each was told of the last time. */
  private readonly due = new Map<string, NodeJS.Timeout>();
  private readonly toldAt = new Map<string, number>();
  private heartbeat: NodeJS.Timeout | undefined;
  private readonly listener: Listener;
  private stopped = false;

  constructor(
    private readonly db: Database,
    url: string,
    private readonly logger: Logger,
  ) {
    const listened = {
      heard: (payload: string) => this.heard(JSON.parse(payload) as Notice),
      again: () => this.tellAgain(),
      silent: () => breakConnections(db),
    };
    this.listener = new Listener(url, CHANNEL, listened, logger);
  }

  /** Begins to listen and to tell. */
  async start(): Promise<void> {
    await this.listener.start();
    this.heartbeat = setInterval(() => this.writeToAll(': still here\n\n'), HEARTBEAT_MILLISECONDS);
  }

  /** Notes that something on a sheet changed; costs nothing now. */
  sheetChanged(sheet: string): void {
    this.changedSheets.add(sheet);
    this.gather();
  }

  examinationChanged(examination: string): void {
    this.changed.set(examination, { examination });
    this.gather();
  }

  draftChanged(draft: string): void {
    this.changed.set(draft, { draft });
    this.gather();
  }

  /** Somebody’s rights or sessions changed: their streams end, and what opens anew asks anew. */
  async accountChanged(db: Database, account: string): Promise<void> {
    await this.notify(db, { account });
  }

  /** Opens a stream for somebody who is signed in. */
  async open({ id: account, roles }: Account, response: Response): Promise<void> {
    const examinations = new Set(await examinationsReadBy(this.db, account));
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store',
      'x-accel-buffering': 'no',
    });
    const leads = roles.includes('lead');
    const own = [...this.listeners].filter((one) => one.account === account);
    // The oldest goes: a page that is still open opens its own anew.
    for (const { response: oldest } of own.slice(0, Math.max(0, own.length + 1 - MOST_STREAMS)))
      oldest.end();
    const listener: Stream = { account, response, examinations, leads };
    // A session may have run out meanwhile; what opens anew shows that it has not.
    const over = setTimeout(() => response.end(), LONGEST_MILLISECONDS);
    response.on('close', () => {
      clearTimeout(over);
      this.listeners.delete(listener);
    });
    if (this.stopped) response.end();
    else {
      this.listeners.add(listener);
      response.write('retry: 1000\n\n');
    }
  }

  /** Ends every stream at once; tablets and pages open theirs at another process. */
  async stop(): Promise<void> {
    this.stopped = true;
    clearInterval(this.heartbeat);
    clearTimeout(this.gathering);
    for (const timer of this.due.values()) clearTimeout(timer);
    for (const { response } of this.listeners) response.end();
    this.listeners.clear();
    await this.listener.stop();
  }

  private heard(notice: Notice): void {
    if (!('account' in notice)) return this.tellSoon(notice);
    for (const listener of this.listeners) {
      if (listener.account === notice.account) listener.response.end();
    }
  }

  private gather(): void {
    if (this.stopped) return;
    this.gathering ??= setTimeout(() => {
      this.gathering = undefined;
      // A database that is slow to answer is told once of all that gathers meanwhile.
      if (this.telling) return this.gather();
      this.telling = true;
      void this.tellDatabase().finally(() => (this.telling = false));
    }, GATHER_MILLISECONDS);
  }

  private async tellDatabase(): Promise<void> {
    const sheets = [...this.changedSheets];
    const changed = new Map(this.changed);
    if (sheets.length === 0 && changed.size === 0) return;
    this.changedSheets.clear();
    this.changed.clear();
    try {
      for (const id of await examinationsOf(this.db, sheets)) changed.set(id, { examination: id });
      for (const hint of changed.values()) await this.notify(this.db, hint);
    } catch (error) {
      this.logger.warn({ err: error }, 'a hint was lost; pages read again by themselves');
    }
  }

  private async notify(db: Database, notice: Notice): Promise<void> {
    await db.raw('select pg_notify(?, ?)', [CHANNEL, JSON.stringify(notice)]);
  }

  private tellSoon(hint: Hint): void {
    const of = 'draft' in hint ? hint.draft : hint.examination;
    if (this.stopped || this.due.has(of)) return;
    const wait = (this.toldAt.get(of) ?? -Infinity) + EVERY_MILLISECONDS - Date.now();
    const tell = () => {
      this.due.delete(of);
      this.toldAt.set(of, Date.now());
      this.tell(hint);
    };
    this.due.set(of, setTimeout(tell, Math.max(0, wait)));
  }

  private tell(hint: Hint): void {
    const line = `data: ${JSON.stringify(hint)}\n\n`;
    for (const { response, examinations, leads } of this.listeners) {
      if ('draft' in hint ? leads : examinations.has(hint.examination)) response.write(line);
    }
  }

  /** What happened while the database was not heard is not known: everybody reads theirs again. */
  private tellAgain(): void {
    const known = new Set([...this.listeners].flatMap((listener) => [...listener.examinations]));
    for (const examination of known) this.tell({ examination });
  }

  private writeToAll(text: string): void {
    for (const { response } of this.listeners) response.write(text);
  }
}
