import { Dialog } from 'radix-ui';
import { type ReactNode, useRef } from 'react';

/** A dialog that no button of the page opens: on closing, the focus goes back to wherever it was. */
export function Modal({
  open,
  onClose,
  title,
  titleShown = true,
  className,
  focusAfter,
  children,
}: {
  open: boolean;
  onClose: () => void;
  title: string;
  titleShown?: boolean;
  className: string;
  /** Where the focus goes on closing; null: back to where it was. */
  focusAfter?: () => HTMLElement | null | undefined;
  children: ReactNode;
}) {
  const before = useRef<HTMLElement | null>(null);
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          onOpenAutoFocus={() => {
            before.current = document.activeElement instanceof HTMLElement ? document.activeElement : null;
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            (focusAfter?.() ?? before.current)?.focus();
          }}
          className={`fixed left-1/2 z-40 w-[min(560px,calc(100vw-2rem))] -translate-x-1/2 rounded-md border border-line bg-sheet shadow-2xl ${className}`}
        >
          <Dialog.Title className={titleShown ? 'font-display text-xl' : 'sr-only'}>{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
