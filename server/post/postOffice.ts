import { createTransport } from 'nodemailer';
import type { Transporter } from 'nodemailer';
import type { Logger } from 'pino';
import type { Database } from '../db/database.ts';
import { textOf } from './letters.ts';
import { noteProblem, noteSent, takeWaiting } from './repository.ts';

const SEND_EVERY_MILLISECONDS = 5_000;
const MOST_AT_ONCE = 20;

/**
 * Sends the letters that were written. What is to be sent is written in the transaction that wants
 * it sent, so that no letter goes out for what did not happen, and none is lost. Without a mail
 * server nothing is sent: whoever makes a link is shown it once and passes it on.
 */
export class PostOffice {
  private readonly secretKey: string;
  private readonly transport: Transporter | undefined;
  private timer: NodeJS.Timeout | undefined;
  private busy = false;

  constructor(
    private readonly db: Database,
    private readonly logger: Logger,
    {
      SMTP_URL,
      MAIL_FROM,
      SECRET_KEY,
    }: { readonly SMTP_URL: string; readonly MAIL_FROM: string; readonly SECRET_KEY: string },
  ) {
    this.secretKey = SECRET_KEY;
    this.transport =
      SMTP_URL === '' ? undefined : createTransport({ url: SMTP_URL }, { from: MAIL_FROM });
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
        for (const letter of await takeWaiting(trx, MOST_AT_ONCE)) {
          const { id, recipient, subject } = letter;
          try {
            const text = textOf(this.secretKey, letter);
            if (text === null) throw new Error('sealed under another key; send the link again');
            await transport.sendMail({ to: recipient, subject, text });
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
