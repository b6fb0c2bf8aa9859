import { useLocalStorage } from '@vueuse/core';

/** A slower answer says too little about when the server wrote it. */
const SLOWEST_USEFUL = 4_000;

/**
 * By how many milliseconds this device’s clock is ahead of the server’s, as measured at the last
 * answer; behind is negative. Remembered, so that a tablet that starts without a network knows it.
 */
export const clockAhead = useLocalStorage('kritikos.clockAhead', 0);

/**
 * Measures the difference from one answer: the server wrote its time somewhere between sending and
 * receiving, so the middle is wrong by half the round trip at most (as in RFC 5905, section 8).
 */
export function noteServerTime(server: number, sent: number, received: number): void {
  if (!Number.isFinite(server) || server <= 0 || received - sent > SLOWEST_USEFUL) return;
  clockAhead.value = Math.round((sent + received) / 2 - server);
}

/** The time by the clock of the server, in milliseconds since the epoch. */
export function correctedNow(): number {
  return Date.now() - clockAhead.value;
}
