import { Modal } from '../parts/Modal';

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
      ['Shift ↑, Shift ↓, Space', 'Choose several lines; every key then moves them as one'],
      ['E', 'Where it leads, for whom, when, what fills it'],
      ['.', 'Switch on or off'],
      ['L', 'The light of its place'],
      ['Ctrl Z, Ctrl Shift Z', 'Undo, redo'],
      ['Escape', 'Leave the outline, so that Tab walks on'],
    ],
  },
  {
    where: 'In a text',
    rows: [
      ['Ctrl B, Ctrl I', 'Strong, stressed'],
      ['Ctrl Shift L', 'Where the link leads'],
      ['## , - , 1. ', 'At the beginning of a line: a heading, a list, a numbered list'],
      ['Ctrl Z, Ctrl Shift Z', 'Undo, redo'],
    ],
  },
  {
    where: 'In the table of places',
    rows: [
      ['Space', 'Choose the place under the focus'],
      ['Shift Space', 'Choose all from the last one to this'],
      ['Enter on an address', 'Change it there; Enter makes it, Escape leaves it'],
      ['Ctrl Z', 'Undo the last edit of places, addresses or redirects'],
    ],
  },
  {
    where: 'In “Where should it lead?”',
    rows: [
      ['↑ ↓', 'Walk the places found'],
      ['Space', 'Pick several, once you walk'],
      ['Enter, Shift Enter', 'Add below the line, or inside it'],
      ['→', 'A part of the place, or some of its products'],
      ['Alt ↑ ↓ ← →', 'Another line to add to'],
      ['Ctrl V', 'Several lines at once become a whole tree'],
      ['Escape', 'Back to the outline'],
    ],
  },
];

export function Keys({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Modal open={open} onClose={onClose} title="Keys" className="top-[8vh] max-h-[84vh] overflow-auto p-6">
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
      <button type="button" className="button mt-5" onClick={onClose}>
        Close
      </button>
    </Modal>
  );
}
