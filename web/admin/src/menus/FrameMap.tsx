import { useNavigate } from 'react-router';
import type { Bay, Frame } from '../api/client';

/** The shop's own header and footer, drawn small with their real labels. Touch the part you mean. */
export function FrameMap({ frame, chosen }: { frame: Frame; chosen: string }) {
  const header = frame.bays.find(({ id }) => id === 'header');
  const columns = frame.bays.filter(({ id, menuId }) => id !== 'header' && menuId);
  const loose = frame.menus.filter(({ bays }) => bays.length === 0);
  const empty = frame.bays.filter(({ menuId }) => !menuId).length;
  return (
    <section aria-label="Map of the shop" className="flex flex-wrap items-stretch gap-5 border-b border-line px-4 py-3">
      <div className="min-w-0 flex-1 basis-[560px] overflow-hidden rounded-md border border-line bg-sheet">
        <p className="truncate border-b border-line bg-ink/90 px-3 text-center text-[10px] leading-4 text-sheet">{frame.notice || 'No notice line'}</p>
        <div className="flex items-stretch border-b border-line">
          <span className="flex items-center px-3 font-display text-[13px] whitespace-nowrap">{frame.shopName}</span>
          {header && <BayButton bay={header} frame={frame} chosen={chosen} row />}
        </div>
        <div className="flex h-6 items-center justify-center text-[11px] text-soft">the page</div>
        <div className="flex min-h-14 items-stretch border-t border-line bg-[#f3efe7]">
          <span className="flex w-28 shrink-0 items-start px-3 py-2 text-[11px] text-soft">{frame.shopName}</span>
          {columns.map((bay) => (
            <BayButton key={bay.id} bay={bay} frame={frame} chosen={chosen} />
          ))}
          {empty > 0 && <span className="flex items-center px-4 text-[11px] text-soft">{empty === 1 ? '1 column is free' : `${empty} columns are free`}</span>}
        </div>
      </div>
      {loose.length > 0 && (
        <div className="basis-44">
          <h2 className="text-sm text-soft">Hangs nowhere</h2>
          <ul className="mt-1 grid gap-1.5">
            {loose.map(({ id, name }) => (
              <li key={id}>
                <MenuButton
                  id={id}
                  chosen={chosen}
                  label={`${name}, hangs nowhere`}
                  className="w-full rounded-md border border-dashed border-[#8d8a7c] px-3 py-1.5 text-left"
                >
                  {name}
                </MenuButton>
              </li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function BayButton({ bay, frame, chosen, row = false }: { bay: Bay; frame: Frame; chosen: string; row?: boolean }) {
  const name = frame.menus.find(({ id }) => id === bay.menuId)?.name;
  if (!bay.menuId) return <span className="flex items-center px-3 text-[11px] text-soft">{bay.words}: no menu hangs here</span>;
  const drawn = bay.entries.slice(0, row ? 12 : 3);
  return (
    <MenuButton
      id={bay.menuId}
      chosen={chosen}
      label={`${bay.words}: ${name}`}
      className={`min-w-0 flex-1 border-l border-line px-3 py-1.5 text-left text-[12px] leading-4 ${row ? 'flex flex-wrap items-center gap-x-4' : 'grid content-start'}`}
    >
      {!row && <span className="truncate font-semibold">{bay.heading || name}</span>}
      {drawn.map((entry) => (
        <span key={entry.id} className="truncate">
          {entry.label}
          {row && entry.below > 0 && <span className="text-soft"> ▾</span>}
        </span>
      ))}
      {bay.entries.length > drawn.length && <span className="text-soft">and {bay.entries.length - drawn.length} more</span>}
      {bay.entries.length === 0 && <span className="text-soft">Nothing shows here yet</span>}
    </MenuButton>
  );
}

function MenuButton({ id, chosen, label, className, children }: { id: string; chosen: string; label: string; className: string; children: React.ReactNode }) {
  const navigate = useNavigate();
  const lit = id === chosen;
  return (
    <button
      type="button"
      aria-pressed={lit}
      aria-label={label}
      onClick={() => navigate(`/menus/${id}`)}
      className={`${className} ${lit ? 'bg-lamp-wash shadow-[inset_0_0_0_2px_var(--color-lamp)]' : 'hover:bg-paper'}`}
    >
      {children}
    </button>
  );
}
