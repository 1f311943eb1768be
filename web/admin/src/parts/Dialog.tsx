import { Dialog as Radix } from 'radix-ui';
import { type ReactNode, useRef } from 'react';
import { InDialog } from './over';

const places = {
  middle: 'left-1/2 top-[6vh] max-h-[88vh] -translate-x-1/2 rounded-md',
  foot: 'bottom-0 left-1/2 max-h-[80vh] -translate-x-1/2 rounded-t-md',
};

const widths = {
  narrow: 'w-[min(560px,calc(100vw-2rem))]',
  wide: 'w-[min(760px,calc(100vw-2rem))]',
  widest: 'w-[min(1040px,calc(100vw-2rem))]',
};

/** A dialog: whatever opened it, on closing the focus goes back to where it was, or to where the next step is. */
export function Dialog({
  open,
  onClose,
  title,
  titleShown = true,
  says,
  place = 'middle',
  width = 'narrow',
  focusAfter,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  titleShown?: boolean;
  /** A sentence below the title. */
  says?: ReactNode;
  place?: keyof typeof places;
  width?: keyof typeof widths;
  /** Where the focus goes on closing; null: back to where it was. */
  focusAfter?: () => HTMLElement | null | undefined;
  children: ReactNode;
}) {
  const before = useRef<HTMLElement | null>(null);
  const wasOpen = useRef(false);
  // Before anything in it has taken the focus.
  if (open && !wasOpen.current) before.current = document.activeElement instanceof HTMLElement ? document.activeElement : null;
  wasOpen.current = open;
  return (
    <Radix.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-30 bg-shade" />
        <Radix.Content
          {...(says ? {} : { 'aria-describedby': undefined })}
          // What is pressed here is not meant for what is behind; keys of the whole program are taken at the window.
          onKeyDown={(event) => event.stopPropagation()}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            (focusAfter?.() ?? before.current)?.focus();
          }}
          className={`fixed z-40 flex flex-col gap-3 overflow-hidden border border-line bg-sheet p-5 shadow-2xl ${places[place]} ${widths[width]}`}
        >
          <Radix.Title className={titleShown ? 'font-display text-xl' : 'sr-only'}>{title}</Radix.Title>
          {says && <Radix.Description className="text-soft">{says}</Radix.Description>}
          <InDialog value>{children}</InDialog>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
