import { DropdownMenu } from 'radix-ui';
import { type ReactNode, type RefObject, type SyntheticEvent, useRef } from 'react';

import { useOver } from './over';

/** What is done in what opens is not meant for what it opened from. */
const stop = (event: SyntheticEvent) => event.stopPropagation();

/** after: done when the list has gone and the focus is back, for what takes the focus itself */
export type Act =
  | { name: string; key?: string; does: () => void; disabled?: boolean; after?: boolean }
  | { name: string; href: string }
  | { name: string; acts: Act[] }
  | null;

/** Acts by their names, behind one button; null: a line between two kinds of them. */
export function Acts({
  label,
  children,
  acts,
  className = 'choice',
  disabled = false,
  tabIndex,
  onClosed,
}: {
  label: string;
  children: ReactNode;
  acts: Act[];
  className?: string;
  disabled?: boolean;
  tabIndex?: number;
  /** Where the focus goes afterwards; without it, back to the button. */
  onClosed?: () => void;
}) {
  const over = useOver();
  const after = useRef<(() => void) | null>(null);
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger
        aria-label={label}
        className={className}
        disabled={disabled}
        tabIndex={tabIndex}
        onPointerDown={stop}
        onMouseDown={stop}
        onTouchStart={stop}
        onClick={stop}
      >
        {children}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal container={over}>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className="z-50 max-h-[70vh] min-w-52 overflow-auto rounded-md border border-line bg-sheet py-1 shadow-xl"
          onKeyDown={(event) => event.stopPropagation()}
          onClick={(event) => event.stopPropagation()}
          onPointerDown={stop}
          onMouseDown={stop}
          onTouchStart={stop}
          onCloseAutoFocus={(event) => {
            if (onClosed) {
              event.preventDefault();
              onClosed();
            }
            const then = after.current;
            after.current = null;
            then?.();
          }}
        >
          <Items acts={acts} after={after} />
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Items({ acts, after }: { acts: Act[]; after: RefObject<(() => void) | null> }) {
  const over = useOver();
  return acts.map((act, n) => {
    // biome-ignore lint/suspicious/noArrayIndexKey: a line has no name
    if (act === null) return <DropdownMenu.Separator key={`line ${n}`} className="my-1 h-px bg-line" />;
    if ('href' in act)
      return (
        <DropdownMenu.Item key={act.name} className="item" asChild>
          <a href={act.href} download className="text-ink hover:no-underline">
            {act.name}
          </a>
        </DropdownMenu.Item>
      );
    if ('acts' in act)
      return (
        <DropdownMenu.Sub key={act.name}>
          <DropdownMenu.SubTrigger className="item">
            {act.name}
            <span className="ml-auto pl-4 text-soft" aria-hidden="true">
              ▸
            </span>
          </DropdownMenu.SubTrigger>
          <DropdownMenu.Portal container={over}>
            <DropdownMenu.SubContent
              className="z-50 max-h-[60vh] min-w-44 overflow-auto rounded-md border border-line bg-sheet py-1 shadow-xl"
              collisionPadding={8}
            >
              <Items acts={act.acts} after={after} />
            </DropdownMenu.SubContent>
          </DropdownMenu.Portal>
        </DropdownMenu.Sub>
      );
    return (
      <DropdownMenu.Item
        key={act.name}
        className="item"
        disabled={act.disabled}
        onSelect={() => {
          if (act.after) after.current = act.does;
          else act.does();
        }}
      >
        {act.name}
        {act.key && (
          <span className="key ml-auto" aria-hidden="true">
            {act.key}
          </span>
        )}
      </DropdownMenu.Item>
    );
  });
}
