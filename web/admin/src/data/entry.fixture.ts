import type { Entry } from './client';

/** An entry that is a heading, for tests. */
export const heading = (id: string, children: Entry[] = [], more: Partial<Entry> = {}): Entry => ({
  id,
  label: id,
  ownLabel: id,
  target: { kind: 'heading', placeId: null, part: '', uri: '', narrowing: null },
  place: null,
  enabled: true,
  audience: 'everyone',
  from: null,
  until: null,
  newTab: false,
  note: '',
  filling: null,
  piece: null,
  opensPanel: false,
  advice: [],
  alternatives: [],
  leftOut: null,
  asHeading: false,
  children,
  ...more,
});
