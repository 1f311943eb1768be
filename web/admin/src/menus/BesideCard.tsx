import { useQuery } from '@tanstack/react-query';
import { api, ask, type Bay, type Frame } from '../data/client';
import { Acts } from '../parts/Acts';
import { OnOff } from '../parts/OnOff';
import { useFrameChange } from './useFrame';

/** Makes a bay beside the pages of one of the shop's page groups. */
export function NewBeside({ frame, onMade }: { frame: Frame; onMade: (bay: string) => void }) {
  const change = useFrameChange();
  const groups = useQuery({
    queryKey: ['places', 'groups'],
    queryFn: ({ signal }) => ask(api.GET('/api/places', { params: { query: { kind: 'page-group' } }, signal })),
  });
  const free = (groups.data?.rows ?? []).map(({ place }) => place).filter(({ id }) => !frame.bays.some(({ beside }) => beside === id));
  if (free.length === 0) return null;
  return (
    <div className="p-2">
      <Acts
        label="Make a bay beside the pages of a group"
        className="button text-sm"
        acts={free.map(({ id, title }) => ({
          name: title,
          does: () =>
            void change({ type: 'make-beside', place: id }, `Beside the pages of “${title}” there is a bay.`).then(
              (after) => after?.made && onMade(after.made),
            ),
        }))}
      >
        Beside pages ▾
      </Acts>
    </div>
  );
}

/** What can be done with a bay beside pages, whatever hangs there. */
export function BesideCard({ bay }: { bay: Bay }) {
  const change = useFrameChange();
  return (
    <div className="grid gap-2 border-t border-line pt-2">
      <OnOff
        label="Shows the pages of its group by itself"
        on={bay.fills}
        onChange={(on) =>
          void change(
            { type: 'fill-beside', bay: bay.id, words: on ? 'yes' : 'no' },
            on ? 'The bay shows the pages of its group by itself.' : 'The bay shows the menu that hangs there.',
          )
        }
      />
      <p>
        <button
          type="button"
          className="button"
          onClick={() => void change({ type: 'remove-beside', bay: bay.id }, 'The bay is taken away.')}
        >
          Take the bay away
        </button>
      </p>
    </div>
  );
}
