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
  // As Sweden writes it, which is ISO 8601 without its T: it sorts by itself.
  const both = new Intl.DateTimeFormat('sv-SE', {
    dateStyle: 'short',
    timeStyle: 'short',
    timeZone: zone,
  });
  return {
    /** For tables: 2031-05-21 08:32. */
    sortable: (minute: number) => both.format(Math.floor(minute) * MINUTE),
    at: (minute: number) => time.format(Math.floor(minute) * MINUTE),
    dateOf: (minute: number) => date.format(minute * MINUTE),
  };
}
