import { Dialog } from 'radix-ui';

const keys: { where: string; rows: [string, string][] }[] = [
  {
    where: 'Everywhere',
    rows: [
      ['Ctrl K', 'Find any place, menu or view'],
      ['?', 'These keys'],
    ],
  },
  {
    where: 'In a menu',
    rows: [
      ['↑ ↓ Home End', 'Walk'],
      ['Enter', 'A new line below'],
      ['Shift Enter', 'A new line inside'],
      ['/', 'Where should it lead?'],
      ['F2', 'Edit the label'],
      ['Tab, Shift Tab', 'A level in, a level out'],
      ['Alt ↑, Alt ↓', 'Move up, move down'],
      ['Delete', 'Remove, with all below'],
      ['Shift Delete', 'Remove; what is below moves out'],
      ['.', 'Switch on or off'],
      ['L', 'The light of its place'],
      ['Ctrl Z, Ctrl Shift Z', 'Undo, redo'],
      ['Escape', 'Leave the outline, so that Tab walks on'],
    ],
  },
  {
    where: 'In “Where should it lead?”',
    rows: [
      ['↑ ↓', 'Walk the places found'],
      ['Space', 'Pick several, once you walk'],
      ['Enter, Shift Enter', 'Add below the line, or inside it'],
      ['Escape', 'Back to the outline'],
    ],
  },
];

export function Keys({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog.Root open={open} onOpenChange={(next) => !next && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-ink/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-[8vh] left-1/2 z-40 max-h-[84vh] w-[min(560px,calc(100vw-2rem))] -translate-x-1/2 overflow-auto rounded-md border border-line bg-sheet p-6 shadow-2xl"
        >
          <Dialog.Title className="font-display text-xl">Keys</Dialog.Title>
          {keys.map(({ where, rows }) => (
            <section key={where} className="mt-4">
              <h2 className="text-soft">{where}</h2>
              <dl className="mt-1 grid grid-cols-[180px_1fr] gap-y-1">
                {rows.map(([key, does]) => (
                  <div key={key} className="contents">
                    <dt className="font-mono text-[12px]">{key}</dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
          <Dialog.Close className="button mt-5">Close</Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
