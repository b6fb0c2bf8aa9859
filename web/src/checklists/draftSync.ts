import type { Draft, DraftAnswer, DraftNews, StandingPiece } from '@kritikos/contracts/drafts';
import { withChanges } from '@kritikos/core/checklists/pieces';
import type { PieceChange, Pieces } from '@kritikos/core/checklists/pieces';

/** What the server does for a draft; in tests somebody else does it. */
export interface DraftServer {
  send(
    changes: readonly { piece: string; value: unknown; seen: number }[],
    sending: string,
  ): Promise<DraftAnswer>;
  news(since: number): Promise<DraftNews>;
}

/** Two people changed one piece: what stands, whose it is, and what was written here. */
export interface Beside {
  readonly piece: string;
  readonly by: string;
  readonly mine: unknown;
}

interface Sending {
  readonly id: string;
  readonly values: ReadonlyMap<string, unknown>;
}

/**
 * A draft on this page: what stands here, what of it the server does not have yet, and what others
 * changed. What is sent and not answered is sent again under the same id, so that nothing is
 * written twice; what is written here while another's change of the same piece arrives is kept and
 * shown beside it.
 */
export class DraftSync {
  pieces: Pieces;
  sequence: number;
  beside: readonly Beside[] = [];
  private readonly seen = new Map<string, number>();
  private readonly unsent = new Set<string>();
  private sending: Sending | null = null;

  constructor(
    draft: Pick<Draft, 'pieces' | 'sequence'>,
    private readonly server: DraftServer,
    private readonly newId: () => string,
  ) {
    this.pieces = withChanges({}, draft.pieces);
    this.sequence = draft.sequence;
    for (const { piece, sequence } of draft.pieces) this.seen.set(piece, sequence);
  }

  /** How many pieces are here and not at the server yet. */
  get waiting(): number {
    return new Set([...this.unsent, ...(this.sending?.values.keys() ?? [])]).size;
  }

  /** Takes what was changed on the page. */
  change(changes: readonly PieceChange[]): void {
    this.pieces = withChanges(this.pieces, changes);
    for (const { piece } of changes) this.unsent.add(piece);
  }

  /** Sends what waits, until nothing does. Throws what the server or the network says against it. */
  async save(): Promise<void> {
    while (this.sending || this.unsent.size > 0) {
      this.sending ??= this.gather();
      const { id, values } = this.sending;
      const changes = [...values].map(([piece, value]) => ({
        piece,
        value,
        seen: this.seen.get(piece) ?? 0,
      }));
      const answer = await this.server.send(changes, id);
      this.sending = null;
      for (const piece of answer.pieces) {
        if (answer.beside.includes(piece.piece)) this.setBeside(piece, values.get(piece.piece));
        else this.confirm(piece);
      }
    }
  }

  /**
   * Sends what waits and reads what others changed, until nothing waits: also what is written while
   * the news are read, for whoever asked for that to be sent was told that this is on its way.
   */
  async exchange(): Promise<void> {
    do {
      await this.save();
      await this.readNews();
    } while (this.waiting > 0);
  }

  /** After a refusal: what was refused waits to be put right, and goes with the next change. */
  takeBack(): void {
    for (const piece of this.sending?.values.keys() ?? []) this.unsent.add(piece);
    this.sending = null;
  }

  /** Reads what others changed, and what was written here as the server has it. */
  async readNews(): Promise<DraftNews> {
    const news = await this.server.news(this.sequence);
    for (const piece of news.pieces) this.adopt(piece);
    // What waits here is read again once it is sent: its number is not seen before.
    if (this.waiting === 0) this.sequence = Math.max(this.sequence, news.sequence);
    return news;
  }

  /** Puts what was written here in the place of what stands. */
  insist({ piece, mine }: Beside): void {
    this.settle(piece);
    this.change([{ piece, value: mine ?? null }]);
  }

  /** Lets what stands stand; what was written here is in the history. */
  settle(piece: string): void {
    this.beside = this.beside.filter((one) => one.piece !== piece);
  }

  private gather(): Sending {
    const values = new Map([...this.unsent].map((piece) => [piece, this.pieces[piece] ?? null]));
    this.unsent.clear();
    return { id: this.newId(), values };
  }

  /** Takes a piece as it stands at the server, unless it is being changed here. */
  private adopt({ piece, value, sequence }: StandingPiece): void {
    if (sequence <= (this.seen.get(piece) ?? -1)) return;
    if (this.sending?.values.has(piece) || this.unsent.has(piece)) return;
    this.seen.set(piece, sequence);
    this.pieces = withChanges(this.pieces, [{ piece, value: value ?? null }]);
  }

  /** What was sent stands there. It may have been changed on here meanwhile; that is sent next. */
  private confirm({ piece, value, sequence }: StandingPiece): void {
    this.seen.set(piece, sequence);
    if (this.unsent.has(piece)) return;
    this.pieces = withChanges(this.pieces, [{ piece, value: value ?? null }]);
  }

  private setBeside(standing: StandingPiece, sent: unknown): void {
    const { piece, by, sequence, value } = standing;
    const mine = this.unsent.has(piece) ? (this.pieces[piece] ?? null) : sent;
    this.unsent.delete(piece);
    this.seen.set(piece, sequence);
    this.pieces = withChanges(this.pieces, [{ piece, value: value ?? null }]);
    this.beside = [...this.beside.filter((one) => one.piece !== piece), { piece, by, mine }];
  }
}
