/** More than this many statements at once only make each of them slower. */
const MOST_AT_ONCE = 2;
/** So many requests are written by one statement at most. */
const MOST_TOGETHER = 40;

interface Waiting<Request, Result> {
  readonly request: Request;
  resolve(result: Result): void;
  reject(reason: unknown): void;
}

/**
 * Writes together what arrives together: while enough statements are under way, requests wait and
 * go with the next one. When it is quiet each goes at once and alone; when five hundred people tap,
 * a commit carries dozens.
 */
export class TapQueue<Request, Result> {
  private waiting: Waiting<Request, Result>[] = [];
  private running = 0;

  /** `write` answers one result a request, in their order. */
  constructor(private readonly write: (requests: Request[]) => Promise<readonly Result[]>) {}

  add(request: Request): Promise<Result> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ request, resolve, reject });
      this.next();
    });
  }

  private next(): void {
    if (this.running >= MOST_AT_ONCE || this.waiting.length === 0) return;
    const group = this.waiting.splice(0, MOST_TOGETHER);
    this.running++;
    this.write(group.map((one) => one.request))
      .then(
        (results) => group.forEach((one, i) => one.resolve(results[i] as Result)),
        (reason: unknown) => group.forEach((one) => one.reject(reason)),
      )
      .finally(() => {
        this.running--;
        this.next();
      });
  }
}
