import { useNavigate } from 'react-router';
import type { Bay, Frame } from '../api/client';

/** The shop's own frame, drawn small with its real labels. Touch the part you mean. */
export function FrameMap({ frame, chosen, bay }: { frame: Frame; chosen: string | undefined; bay: string | null }) {
  const navigate = useNavigate();
  const header = frame.bays.find(({ id }) => id === 'header');
  const drawer = frame.bays.find(({ id }) => id === 'drawer');
  const columns = frame.bays.filter(({ id }) => id.startsWith('footer-'));
  const loose = frame.menus.filter(({ bays }) => bays.length === 0);
  const isLit = (one: Bay) => (bay ? bay === one.id : one.menuId !== null && one.menuId === chosen);
  const button = (one: Bay, row = false) => <BayButton key={one.id} bay={one} frame={frame} lit={isLit(one)} row={row} />;
  return (
    <section aria-label="Map of the shop" className="flex flex-wrap items-stretch gap-4 border-b border-line px-4 py-3">
      <div className="min-w-0 flex-1 basis-[560px] overflow-hidden rounded-md border border-line bg-sheet">
        <button
          type="button"
          aria-pressed={bay === 'notice'}
          aria-label={`Notice line: ${frame.notice || 'empty'}`}
          onClick={() => navigate(`/menus${chosen ? `/${chosen}` : ''}?bay=notice`)}
          className={`block w-full truncate border-b border-line px-3 text-center text-[11px] leading-7 ${bay === 'notice' ? 'bg-lamp-wash shadow-[inset_0_0_0_2px_var(--color-lamp)]' : 'bg-ink/90 text-sheet hover:bg-ink'}`}
        >
          {frame.notice || 'No notice line'}
        </button>
        <div className="flex items-stretch border-b border-line">
          <span className="flex items-center px-3 font-display text-[13px] whitespace-nowrap">{frame.shopName}</span>
          {header && button(header, true)}
        </div>
        {frame.fit.words ? (
          <p className={`px-3 py-0.5 text-[12px] ${frame.fit.ever && frame.fit.needs <= 1280 && frame.fit.wraps.length === 0 ? 'text-soft' : 'text-brick'}`}>
            <span aria-hidden="true">↔ </span>
            {frame.fit.words}
          </p>
        ) : (
          <div className="flex h-5 items-center justify-center text-[11px] text-soft">the page</div>
        )}
        <div className="flex min-h-14 items-stretch border-t border-line bg-[#f3efe7]">
          <span className="flex w-24 shrink-0 items-start px-3 py-2 text-[11px] text-soft">{frame.shopName}</span>
          {columns.map((one) => button(one))}
        </div>
      </div>
      {drawer && <Drawer bay={drawer} lit={isLit(drawer)} chosen={chosen} name={frame.menus.find(({ id }) => id === drawer.menuId)?.name} />}
      {loose.length > 0 && (
        <div className="max-h-40 basis-40 overflow-auto">
          <h2 className="text-sm text-soft">Hangs nowhere</h2>
          <ul className="mt-1 grid gap-1.5">
            {loose.map(({ id, name }) => (
              <li key={id}>
                <button
                  type="button"
                  aria-pressed={id === chosen && !bay}
                  aria-label={`${name}, hangs nowhere`}
                  onClick={() => navigate(`/menus/${id}`)}
                  className={`w-full rounded-md border border-dashed border-[#8d8a7c] px-3 py-1.5 text-left ${id === chosen && !bay ? 'bg-lamp-wash' : 'hover:bg-sheet'}`}
                >
                  {name}
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function Drawer({ bay, lit, chosen, name }: { bay: Bay; lit: boolean; chosen: string | undefined; name: string | undefined }) {
  const navigate = useNavigate();
  return (
    <button
      type="button"
      aria-pressed={lit}
      aria-label={name ? `Phone drawer: ${name}` : 'Phone drawer: as the header'}
      onClick={() => navigate(`/menus${(bay.menuId ?? chosen) ? `/${bay.menuId ?? chosen}` : ''}?bay=drawer`)}
      className={`grid w-24 content-start overflow-hidden rounded-[10px] border border-line px-2 pt-1.5 pb-2 text-left text-[11px] leading-4 ${lit ? 'bg-lamp-wash shadow-[inset_0_0_0_2px_var(--color-lamp)]' : 'bg-sheet hover:bg-paper'}`}
    >
      <span className="mx-auto mb-1 h-0.5 w-6 rounded bg-line" aria-hidden="true" />
      <span className="font-semibold">{name ? 'Phone' : 'Phone: as the header'}</span>
      {bay.entries.slice(0, name ? 5 : 4).map((entry) => (
        <span key={entry.id} className="truncate text-soft">
          {entry.label}
        </span>
      ))}
    </button>
  );
}

function BayButton({ bay, frame, lit, row }: { bay: Bay; frame: Frame; lit: boolean; row: boolean }) {
  const navigate = useNavigate();
  const name = frame.menus.find(({ id }) => id === bay.menuId)?.name;
  const drawn = bay.entries.slice(0, row ? 12 : 3);
  const empty = row ? (bay.entries.length > 0 ? 'no menu: ' : 'no menu hangs here') : 'free';
  return (
    <button
      type="button"
      aria-pressed={lit}
      aria-label={`${bay.words}: ${name ?? 'no menu hangs here'}`}
      onClick={() => navigate(`/menus${bay.menuId ? `/${bay.menuId}` : ''}?bay=${bay.id}`)}
      className={`min-w-0 border-l border-line px-3 py-1.5 text-left text-[12px] leading-4 ${row ? 'flex flex-1 flex-wrap items-center gap-x-4' : `grid content-start ${bay.menuId ? 'flex-[3]' : 'flex-1'}`} ${lit ? 'bg-lamp-wash shadow-[inset_0_0_0_2px_var(--color-lamp)]' : 'hover:bg-paper'}`}
    >
      {!row && <span className="truncate font-semibold">{bay.menuId ? bay.heading || name : ''}</span>}
      {!bay.menuId && <span className="text-soft">{empty}</span>}
      {drawn.map((entry) => (
        <span key={entry.id} className="truncate">
          {entry.label}
          {row && entry.below > 0 && <span className="text-soft"> ▾</span>}
        </span>
      ))}
      {bay.entries.length > drawn.length && <span className="text-soft">and {bay.entries.length - drawn.length} more</span>}
      {bay.menuId && bay.entries.length === 0 && <span className="text-soft">Nothing shows here yet</span>}
    </button>
  );
}
