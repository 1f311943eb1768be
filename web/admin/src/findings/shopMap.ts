import type { MappedPlace } from '../data/client';

export type Spot = { place: MappedPlace; x: number; y: number; r: number; steps: number | null };
export type Way = { from: Spot; to: Spot; width: number };

export const SIZE = 360;
const CENTRE = SIZE / 2;
/** Rings further out than this are drawn as one. */
export const RINGS = 4;
/** The first ring is the fullest, so it is the widest. */
const FAR = [0, 0.46, 0.7, 0.87, 1];

export const radius = (steps: number | null): number => (steps === null ? CENTRE - 7 : (FAR[Math.min(steps, RINGS)] ?? 1) * (CENTRE - 16));

/**
 * Where each place stands in the picture: the front page in the middle, the others on the ring of their distance, beside what
 * they stand below.
 */
export function layOut(places: readonly MappedPlace[]): { spots: Spot[]; ways: Way[] } {
  const byId = new Map(places.map((place) => [place.id, place]));
  const below = new Map<string, MappedPlace[]>();
  const roots: MappedPlace[] = [];
  for (const place of places) {
    if (place.steps === 0) continue;
    const above = place.above === null ? undefined : byId.get(place.above);
    if (!above || above.steps === 0 || above.id === place.id) roots.push(place);
    else below.set(above.id, [...(below.get(above.id) ?? []), place]);
  }
  const most = Math.max(1, ...places.filter(({ steps }) => steps !== 0).map(({ visits }) => visits));
  const front = places.find(({ steps }) => steps === 0);
  const middle: Spot | null = front ? { place: front, x: CENTRE, y: CENTRE, r: 8, steps: 0 } : null;
  const spots: Spot[] = middle ? [middle] : [];
  const ways: Way[] = [];
  const weight = (place: MappedPlace, seen: ReadonlySet<string>): number =>
    Math.max(
      1,
      (below.get(place.id) ?? [])
        .filter(({ id }) => !seen.has(id))
        .reduce((sum, child) => sum + weight(child, new Set(seen).add(child.id)), 0),
    );
  const put = (some: readonly MappedPlace[], from: number, to: number, above: Spot | null, seen: ReadonlySet<string>) => {
    const all = some.reduce((sum, place) => sum + weight(place, seen), 0);
    let at = from;
    for (const place of some) {
      const share = ((to - from) * weight(place, seen)) / all;
      const angle = at + share / 2;
      const far = radius(place.steps);
      const spot = {
        place,
        x: CENTRE + far * Math.cos(angle),
        y: CENTRE + far * Math.sin(angle),
        r: 2.5 + 4.5 * Math.sqrt(place.visits / most),
        steps: place.steps,
      };
      spots.push(spot);
      const source = above && above.steps !== null && place.steps !== null && above.steps < place.steps ? above : middle;
      if (source && place.steps !== null) ways.push({ from: source, to: spot, width: 0.5 + 3 * (place.visits / most) });
      const now = new Set(seen).add(place.id);
      const children = (below.get(place.id) ?? []).filter(({ id }) => !now.has(id));
      if (children.length > 0) put(children, at, at + share, spot, now);
      at += share;
    }
  };
  if (roots.length > 0) put(roots, -Math.PI / 2, (3 * Math.PI) / 2, middle, new Set());
  return { spots, ways };
}
