import type { Light } from '../data/client';

const frame = 'M8 1.6v1.5M5.9 3.1h4.2M4.8 6 6 3.1h4L11.2 6M4.8 6h6.4l.8 6.6H4zM3.4 14.5h9.2M4 12.6l-.6 1.9m8.6-1.9.6 1.9';

/** The state of a place: a full lantern is open, a half one quiet, an outline closed. The word stands beside it, or is read out. */
export function Lantern({ light, words, size = 18 }: { light: Light; words?: string; size?: number }) {
  return (
    <svg
      viewBox="0 0 16 16"
      width={size}
      height={size}
      role={words ? 'img' : undefined}
      aria-label={words}
      aria-hidden={words ? undefined : true}
      className="shrink-0"
    >
      {light === 'open' && <path d="M4.9 6.4h6.2l.7 5.8H4.2z" className="fill-lamp" />}
      {light === 'quiet' && <path d="M4.5 9.4h7l.3 2.8H4.2z" className="fill-dusk" />}
      <path
        d={frame}
        fill="none"
        strokeWidth="1"
        strokeLinejoin="round"
        strokeLinecap="round"
        className={light === 'open' ? 'stroke-ink' : light === 'quiet' ? 'stroke-dusk' : 'stroke-soft'}
        strokeDasharray={light === 'closed' ? '1.6 1.4' : undefined}
      />
    </svg>
  );
}
