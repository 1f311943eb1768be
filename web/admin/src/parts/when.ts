/** A moment as a person would say it: the time today, else the day. */
export function when(moment: string, now: Date = new Date()): string {
  const at = new Date(moment);
  if (at.toDateString() === now.toDateString()) return `today ${at.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}`;
  return at.toLocaleDateString('en-GB', { day: 'numeric', month: 'short', ...(at.getFullYear() === now.getFullYear() ? {} : { year: 'numeric' }) });
}
