import { createTransport } from 'nodemailer';
import type { Transporter } from 'nodemailer';
import type { Logger } from 'pino';
import type { Database } from '../db/database.ts';
import { noteProblem, noteSent, takeWaiting } from './repository.ts';

const SEND_EVERY_MILLISECONDS = 5_000;
const MOST_AT_ONCE = 20;

/**
 * Sends the letters that were written. What is to be sent is written in the transaction that wants
 * it sent, so that no letter goes out for what did not happen, and none is lost. Without a mail
 * server nothing is sent: administrators read the letters on their page and pass the links on.
 */
export class PostOffice {
  private readonly transport: Transporter | undefined;
  private timer: NodeJS.Timeout | undefined;
  private busy = false;

  constructor(
    private readonly db: Database,
    private readonly logger: Logger,
    { SMTP_URL, MAIL_FROM }: { SMTP_URL: string; MAIL_FROM: string },
  ) {
    this.transport =
      SMTP_URL === '' ? undefined : createTransport({ url: SMTP_URL }, { from: MAIL_FROM });
  }

  get sends(): boolean {
    return this.transport !== undefined;
  }

  start(): void {
    if (this.transport) this.timer = setInterval(() => void this.send(), SEND_EVERY_MILLISECONDS);
  }

  stop(): void {
    clearInterval(this.timer);
    this.transport?.close();
  }

  /** Sends what waits; a letter that cannot be sent waits on, with the reason beside it. */
  async send(): Promise<void> {
    const { transport } = this;
    if (!transport || this.busy) return;
    this.busy = true;
    try {
      await this.db.transaction(async (trx) => {
        for (const { id, recipient, subject, body } of await takeWaiting(trx, MOST_AT_ONCE)) {
          try {
            await transport.sendMail({ to: recipient, subject, text: body });
            await noteSent(trx, id);
          } catch (error) {
            await noteProblem(trx, id, (error as Error).message.slice(0, 300));
          }
        }
      });
    } catch (error) {
      this.logger.warn({ err: error }, 'the post waits');
    } finally {
      this.busy = false;
    }
  }
}
