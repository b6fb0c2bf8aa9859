import type { MessagePort } from 'node:worker_threads';

/** What a thread is given beside its question: where to say how far it is, from 0 to 1. */
export interface Told {
  readonly port: MessagePort;
}
