/** The clock of a station as its last event left it; `since` is an ISO 8601 instant. */
export interface StationClock {
  readonly running: boolean;
  readonly remaining: number;
  readonly since: string;
}

/** As a clock shows it: 4:05, and +0:30 in overtime. */
export function minutesAndSeconds(seconds: number): string {
  const whole = Math.ceil(Math.abs(seconds));
  const text = `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
  return seconds < 0 ? `+${text}` : text;
}

/**
 * Seconds left at a station at an instant (milliseconds since the epoch), negative in overtime. A
 * clock that nobody has started yet shows all of its `minutes`.
 */
export function secondsLeft(clock: StationClock | null, minutes: number, at: number): number {
  if (!clock) return 60 * minutes;
  if (!clock.running) return clock.remaining;
  return clock.remaining - Math.max(0, at - Date.parse(clock.since)) / 1000;
}
