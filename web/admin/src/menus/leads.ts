import type { PlaceBrief, TargetInput } from '../api/client';

export type Lead = { target: TargetInput; label: string | null; name: string };

export type Option = { key: string; lead: Lead; place?: PlaceBrief; says: string };

/** What typed words mean besides a place: an outside address, a contact, or a heading. */
export function leadsFromWords(words: string): Option[] {
  const typed = words.trim();
  if (typed === '') return [];
  if (/^https?:\/\/\S+$/i.test(typed)) {
    const label = typed.replace(/^https?:\/\/(www\.)?/i, '').replace(/\/$/, '');
    return [{ key: 'outside', lead: { target: { kind: 'outside', uri: typed }, label: label.slice(0, 200), name: label }, says: 'an outside address' }];
  }
  if (/^[^\s@/]+@[^\s@/]+\.[^\s@/]+$/.test(typed)) {
    return [{ key: 'mail', lead: { target: { kind: 'contact', uri: `mailto:${typed}` }, label: typed, name: typed }, says: 'a mail address' }];
  }
  if (/^mailto:[^\s@/]+@[^\s@/]+\.\S+$/i.test(typed)) {
    const label = typed.slice(7).replace(/\?.*$/, '');
    return [{ key: 'mail', lead: { target: { kind: 'contact', uri: `mailto:${typed.slice(7)}` }, label, name: label }, says: 'a mail address' }];
  }
  const options: Option[] = [];
  if (/^\+?[\d\s()/-]{6,}$/.test(typed)) {
    options.push({
      key: 'phone',
      lead: { target: { kind: 'contact', uri: `tel:${typed.replace(/[^+\d]/g, '')}` }, label: typed, name: typed },
      says: 'a phone number',
    });
  }
  return [...options, { key: 'heading', lead: { target: { kind: 'heading' }, label: typed, name: typed }, says: 'a heading that leads nowhere' }];
}
