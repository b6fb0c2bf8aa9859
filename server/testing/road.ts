import { connect, createServer } from 'node:net';
import type { AddressInfo, Server, Socket } from 'node:net';

/** How a database can be away: its server stopped, killed, or the network to it swallows what is sent. */
export const OUTAGES = ['stopped', 'killed', 'swallowed'] as const;
export type Outage = (typeof OUTAGES)[number];

/**
 * A road to a database on which a test can let it go away: PostgreSQL itself goes on for the other
 * tests.
 */
export class Road {
  private readonly pairs = new Set<readonly [Socket, Socket]>();
  /** Who set out while everything was swallowed, and waits for an answer. */
  private readonly lost = new Set<Socket>();
  private away: Outage | undefined;
  private readonly server: Server;
  /** How often anybody set out since the road was opened. */
  tries = 0;

  private constructor(private readonly to: { readonly host: string; readonly port: number }) {
    this.server = createServer((caller) => this.lead(caller));
  }

  /** Opens a road to the database of an address; `url` is its address by way of the road. */
  static async to(address: string): Promise<{ road: Road; url: string }> {
    const url = new URL(address);
    const road = new Road({ host: url.hostname, port: Number(url.port) });
    await new Promise<void>((resolve) => road.server.listen(0, '127.0.0.1', resolve));
    url.port = String((road.server.address() as AddressInfo).port);
    return { road, url: url.href };
  }

  /** How many connections are on the road. */
  get connections(): number {
    return this.pairs.size;
  }

  goAway(how: Outage): void {
    this.away = how;
    for (const [caller, other] of this.pairs) {
      if (how === 'stopped') caller.end(); // a server that stops says good-bye
      if (how === 'killed') caller.resetAndDestroy();
      if (how !== 'swallowed') other.destroy();
      else [caller, other].forEach((socket) => socket.unpipe().pause());
    }
  }

  comeBack(): void {
    this.away = undefined;
    // What was swallowed is gone; who still waits on it finds the other side strange.
    for (const [caller, other] of this.pairs) {
      if (caller.isPaused()) [caller, other].forEach((socket) => socket.destroy());
    }
  }

  async close(): Promise<void> {
    for (const socket of [...this.lost, ...[...this.pairs].flat()]) socket.destroy();
    await new Promise((resolve) => this.server.close(resolve));
  }

  private lead(caller: Socket): void {
    this.tries++;
    caller.on('error', () => undefined);
    if (this.away === 'swallowed') return void this.lost.add(caller.pause());
    if (this.away) return void caller.resetAndDestroy();
    const other = connect(this.to);
    other.on('error', () => undefined);
    const pair = [caller, other] as const;
    this.pairs.add(pair);
    for (const socket of pair) {
      socket.on('close', () => {
        this.pairs.delete(pair);
        pair.forEach((one) => one.destroy());
      });
    }
    caller.pipe(other);
    other.pipe(caller);
  }
}
