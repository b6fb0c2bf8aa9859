const MINUTE = 60_000;

/** Says minutes since 1970 as times and dates on the wall of a zone. */
export function wallClock(zone: string) {
  const time = new Intl.DateTimeFormat('en-GB', {
    hour: '2-digit',
    minute: '2-digit',
    timeZone: zone,
  });
  const date = new Intl.DateTimeFormat('en-GB', {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    timeZone: zone,
  });
  return {
    at: (minute: number) => time.format(Math.floor(minute) * MINUTE),
    dateOf: (minute: number) => date.format(minute * MINUTE),
  };
}
