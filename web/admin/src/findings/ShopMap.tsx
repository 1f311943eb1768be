import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { mapQuery } from '../data/findings';
import { layOut, RINGS, radius, SIZE } from './shopMap';

const rings = Array.from({ length: RINGS }, (_, n) => n + 1);

/** The shop by steps from its front page: thick lines where many visits go, findings in brick. Its numbers are a table below. */
export function ShopMap({ pointed, onPoint }: { pointed: string | null; onPoint: (address: string | null) => void }) {
  const map = useQuery(mapQuery);
  const { spots, ways } = useMemo(() => layOut(map.data?.places ?? []), [map.data]);
  const named = spots.find(({ place }) => place.address === pointed);
  return (
    <section aria-label="Picture of the shop" className="border-line bg-sheet px-4 py-3 max-lg:border-t lg:overflow-y-auto lg:border-l">
      <h2>The shop by steps and visits</h2>
      <svg
        viewBox={`0 0 ${SIZE} ${SIZE}`}
        className="mx-auto mt-2 w-full max-w-96"
        role="img"
        aria-label="Places at their distance from the front page; the table below has the numbers"
      >
        {rings.map((n) => (
          <circle
            key={n}
            cx={SIZE / 2}
            cy={SIZE / 2}
            r={radius(n)}
            fill="none"
            className="stroke-line"
            strokeDasharray={n === RINGS ? '3 4' : undefined}
          />
        ))}
        {ways.map(({ from, to, width }) => (
          <line
            key={to.place.id}
            x1={from.x}
            y1={from.y}
            x2={to.x}
            y2={to.y}
            strokeWidth={width}
            strokeLinecap="round"
            className={to.place.wrong > 0 ? 'stroke-brick-wash' : 'stroke-line'}
          />
        ))}
        {spots.map(({ place, x, y, r }) => (
          // biome-ignore lint/a11y/noStaticElementInteractions: what is pointed at here has its line in the table below
          <circle
            key={place.id}
            cx={x}
            cy={y}
            r={place.address === pointed ? r + 3 : r}
            className={`${place.wrong > 0 ? 'fill-brick' : 'fill-moss'} ${place.address === pointed ? 'stroke-lamp' : 'stroke-sheet'}`}
            strokeWidth={place.address === pointed ? 3 : 1}
            onMouseEnter={() => onPoint(place.address)}
            onMouseLeave={() => onPoint(null)}
          >
            <title>{`${place.title}: ${place.steps === null ? 'nothing leads there' : `${place.steps} steps`}, ${place.visits} visits${place.wrong > 0 ? `, ${place.wrong} findings` : ''}`}</title>
          </circle>
        ))}
      </svg>
      <p className="min-h-5 text-center text-sm text-soft" aria-hidden="true">
        {named
          ? `${named.place.title} · ${named.place.visits.toLocaleString('en-GB')} visits`
          : 'brick: something is wrong there · rim: further than three steps, or nothing leads there'}
      </p>
      <details className="mt-2">
        <summary className="min-h-8 cursor-pointer py-1 text-sm font-semibold">Its numbers</summary>
        <div className="overflow-x-auto">
          <table className="w-full text-sm">
            <caption className="sr-only">The most visited places, and those with findings</caption>
            <thead>
              <tr className="border-b border-line text-left text-soft">
                <th className="py-1 pr-2 font-medium">Place</th>
                <th className="py-1 pr-2 text-right font-medium">Steps</th>
                <th className="py-1 pr-2 text-right font-medium">Visits</th>
                <th className="py-1 text-right font-medium">Findings</th>
              </tr>
            </thead>
            <tbody>
              {spots.map(({ place }) => (
                <tr key={place.id} className={`border-b border-line ${place.address === pointed ? 'bg-lamp-wash' : ''}`}>
                  <td className="max-w-44 truncate py-1 pr-2">
                    <Link to={`/places/${place.id}`}>{place.title}</Link>
                  </td>
                  <td className="py-1 pr-2 text-right tabular-nums">{place.steps ?? '–'}</td>
                  <td className="py-1 pr-2 text-right tabular-nums">{place.visits.toLocaleString('en-GB')}</td>
                  <td className={`py-1 text-right tabular-nums ${place.wrong > 0 ? 'font-semibold text-brick' : 'text-soft'}`}>
                    {place.wrong}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </section>
  );
}
