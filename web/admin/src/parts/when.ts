/** The time zone of the shop, in which its people type and read dates, wherever they sit. */
let zone = 'UTC';

export const shopZone = () => zone;

export const setShopZone = (name: string) => {
  zone = name;
};

/** Year, month, day, hour and minute of a moment as the clocks of the shop show them. */
function onTheClock(moment: Date): Record<string, string> {
  const format = new Intl.DateTimeFormat('en-GB', {
    timeZone: zone,
    hourCycle: 'h23',
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
  });
  return Object.fromEntries(format.formatToParts(moment).map(({ type, value }) => [type, value]));
}

/** A moment as a person would say it: the time today, else the day. */
export function when(moment: string, now: Date = new Date()): string {
  const at = new Date(moment);
  const [then, today] = [onTheClock(at), onTheClock(now)];
  if (then.year === today.year && then.month === today.month && then.day === today.day) return `today ${then.hour}:${then.minute}`;
  return at.toLocaleDateString('en-GB', {
    timeZone: zone,
    day: 'numeric',
    month: 'short',
    ...(then.year === today.year ? {} : { year: 'numeric' }),
  });
}

/** A moment (ISO 8601) as the field for dates and times wants it, by the clocks of the shop; empty for none. */
export function toLocalField(moment: string | null): string {
  if (!moment) return '';
  const { year = '', month, day, hour, minute } = onTheClock(new Date(moment));
  return `${year.padStart(4, '0')}-${month}-${day}T${hour}:${minute}`;
}

/** What the field for dates and times holds; null where it is empty. Without an offset the API reads it by the clocks of the shop. */
export const fromLocalField = (field: string): string | null => (field === '' ? null : field);

/** The last moment before something ends. */
export const lastMoment = (until: string): string => new Date(Date.parse(until) - 1000).toISOString();

/** The last day of what ends at a moment; empty where it has no end. */
export const lastDay = (until: string | null): string => (until ? toLocalField(lastMoment(until)).slice(0, 10) : '');
