import type { Touch } from '../data/client';

/** What a change touches, each in a sentence; what breaks says so. */
export function Touches({ touches }: { touches: Touch[] }) {
  return (
    <div className="rounded-md bg-tide-wash px-4 py-3">
      <p className="font-semibold">What this touches</p>
      <TouchList touches={touches} />
    </div>
  );
}

export function TouchList({ touches }: { touches: Touch[] }) {
  if (touches.length === 0) return <p>Nothing today: visitors see the same now.</p>;
  return (
    <ul className="mt-1 grid gap-1">
      {touches.map(({ sentence, breaks }) => (
        <li key={sentence} className={breaks ? 'text-brick' : undefined}>
          {breaks && <span className="font-semibold">Breaks: </span>}
          {sentence}
        </li>
      ))}
    </ul>
  );
}
