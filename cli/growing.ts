/** Numbers that grow as rows come in, without boxing each of them. */
export class Growing<T extends Int32Array<ArrayBuffer> | Float64Array<ArrayBuffer>> {
  private count = 0;
  constructor(private store: T) {}

  static integers(): Growing<Int32Array<ArrayBuffer>> {
    return new Growing(new Int32Array(1024));
  }

  static numbers(): Growing<Float64Array<ArrayBuffer>> {
    return new Growing(new Float64Array(1024));
  }

  get length(): number {
    return this.count;
  }

  push(value: number): void {
    if (this.count === this.store.length) {
      const larger = new (this.store.constructor as new (n: number) => T)(2 * this.count);
      larger.set(this.store);
      this.store = larger;
    }
    this.store[this.count++] = value;
  }

  whole(): T {
    return this.store.subarray(0, this.count) as T;
  }
}

/** Names given a number each, in the order in which they come. */
export class Codes {
  private readonly known = new Map<string, number>();

  of(name: string): number {
    let code = this.known.get(name);
    if (code === undefined) {
      code = this.known.size;
      this.known.set(name, code);
    }
    return code;
  }

  get names(): string[] {
    return [...this.known.keys()];
  }

  get size(): number {
    return this.known.size;
  }
}
