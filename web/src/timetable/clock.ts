/** Says minutes since 1970 as times on the wall of a zone. */
export function clockOf(zone: string) {
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
  const instant = (minute: number) => new Date(Math.round(minute * 60_000));
  return {
    at: (minute: number) => time.format(instant(minute)),
    dateOf: (minute: number) => date.format(instant(minute)),
  };
}

/** So many minutes as hours and minutes. */
export function sayMinutes(minutes: number): string {
  const whole = Math.round(minutes);
  const [hours, left] = [Math.floor(whole / 60), whole % 60];
  return hours === 0 ? `${left} min` : `${hours} h ${String(left).padStart(2, '0')}`;
}
