import { encode } from 'uqr';

/** Dots around it that stay empty (ISO/IEC 18004, 6.3.8). */
const QUIET = 4;

/** A text as a picture that a device reads. It is drawn here, and asked of nobody. */
export function QrCode({ text, label }: { text: string; label: string }) {
  const { data, size } = encode(text, { ecc: 'M', border: 0 });
  const path = data.flatMap((row, y) => row.map((dark, x) => (dark ? `M${x + QUIET} ${y + QUIET}h1v1h-1z` : ''))).join('');
  const side = size + 2 * QUIET;
  return (
    <svg
      viewBox={`0 0 ${side} ${side}`}
      width="196"
      height="196"
      role="img"
      aria-label={label}
      className="rounded-md"
      shapeRendering="crispEdges"
    >
      <rect width={side} height={side} className="fill-white" />
      <path d={path} className="fill-night" />
    </svg>
  );
}
