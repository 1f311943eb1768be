import type { UseQueryResult } from '@tanstack/react-query';
import { useSearchParams } from 'react-router';
import type { Menu } from '../data/client';
import type { Looking } from '../data/queries';
import { Outline } from '../outline/Outline';
import type { ForOutline } from '../outline/useBeside';
import { Trouble } from '../parts/Notice';
import { Part, partId } from '../parts/Part';

const name = 'Layout';

/** What stands in the body of a page: bands, columns and pieces as lines, laid out in the shop beside. */
export function LayoutPart({
  layout,
  looking,
  canEdit,
  forOutline,
}: {
  layout: UseQueryResult<Menu>;
  looking: Looking;
  canEdit: boolean;
  forOutline: ForOutline;
}) {
  const [query] = useSearchParams();
  if (!layout.data)
    return (
      <Part name={name}>
        {layout.error ? (
          <Trouble words={layout.error.message} onAgain={() => void layout.refetch()} />
        ) : (
          <p className="text-soft">Fetching what stands here…</p>
        )}
      </Part>
    );
  return (
    <section
      id={partId(name)}
      aria-label={name}
      tabIndex={-1}
      className="-mx-6 mt-4 flex h-[calc(100dvh-18.25rem)] min-h-96 scroll-mt-9 flex-col border-y border-line outline-none"
    >
      <Outline
        menu={layout.data}
        looking={looking}
        canEdit={canEdit}
        spot={query.get('piece')}
        lost={layout.error?.message ?? null}
        {...forOutline}
      >
        {(acts) => (
          <div className="flex h-9 shrink-0 items-center justify-between border-b border-line pr-2 pl-6">
            <h2>{name}</h2>
            {acts}
          </div>
        )}
      </Outline>
    </section>
  );
}
