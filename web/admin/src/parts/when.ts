/** A moment as a person would say it: the time today, else the day. */
export function when(moment: string, now: Date = new Date()): string {
  const at = new Date(moment);
  if (at.toDateString() === now.toDateString()) return `today ${at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
  return at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', ...(at.getFullYear() === now.getFullYear() ? {} : { year: 'numeric' }) });
}

/** A moment (ISO 8601) as the field for local dates and times wants it; empty for none. */
export function toLocalField(moment: string | null): string {
  if (!moment) return '';
  const at = new Date(moment);
  return new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
}

/** What the field for local dates and times holds, as a moment (ISO 8601, UTC); null where it is empty. */
export const fromLocalField = (field: string): string | null => (field === '' ? null : new Date(field).toISOString());
