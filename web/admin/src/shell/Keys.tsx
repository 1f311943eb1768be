import { Dialog } from '../parts/Dialog';

const keys: { where: string; rows: [string, string][] }[] = [
  {
    where: 'Everywhere',
    rows: [
      ['Ctrl K', 'Find any place, menu, view or finding'],
      ['Ctrl Z, Ctrl Shift Z', 'Take back what you did last, wherever that was; make it again'],
      ['?', 'These keys'],
    ],
  },
  {
    where: 'On the whole frame',
    rows: [
      ['Tab, Enter', 'Walk the parts of the frame, choose one'],
      ['Enter again', 'Open its menu'],
      ['Escape', 'Choose none'],
    ],
  },
  {
    where: 'In a menu',
    rows: [
      ['↑ ↓ Home End', 'Walk'],
      ['→, ←', 'Unfold and go in; fold, and go out'],
      ['Enter', 'A new line below'],
      ['Shift Enter', 'A new line inside'],
      ['/', 'Where should it lead?'],
      ['F2', 'Edit the label'],
      ['Tab, Shift Tab', 'A level in, a level out'],
      ['Alt ↑, Alt ↓', 'Move up, move down'],
      ['Delete', 'Remove, with all below'],
      ['Shift Delete', 'Remove; what is below moves out'],
      ['Shift ↑, Shift ↓, Space', 'Choose several lines; every key then moves them as one'],
      ['E', 'Everything about the line'],
      ['.', 'Switch on or off'],
      ['L', 'The light of its place'],
      ['O', 'The sheet of its place; Escape comes back'],
      ['W', 'The wide panel below an entry of the header, made where there is none'],
      ['Escape', 'Leave the outline, so that Tab walks on'],
    ],
  },
  {
    where: 'Where a page or wide panel is laid out',
    rows: [
      ['F2', 'On words: write them where they stand in the shop; Escape comes back'],
      ['+, −', 'On a column: wider, narrower'],
      ['← →', 'On the line between two columns in the shop: move it'],
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
    ],
  },
  {
    where: 'In the link check',
    rows: [
      ['↑ ↓ Home End', 'Walk the findings'],
      ['1, 2, 3', 'Make the mend with this number'],
      ['O', 'Go to the spot'],
      ['A', 'Set it aside, with the reason'],
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
      ['→ ← on “Make …”', 'Another kind of place'],
      ['Escape', 'Back to the outline'],
    ],
  },
];

export function Keys({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} title="Keys">
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls has to be reachable by keyboard */}
      <div className="min-h-0 overflow-auto" tabIndex={0} role="region" aria-label="All keys">
        {keys.map(({ where, rows }) => (
          <section key={where} className="mt-4">
            <h2 className="text-soft">{where}</h2>
            <dl className="mt-1 grid grid-cols-[180px_1fr] gap-y-1">
              {rows.map(([key, does]) => (
                <div key={key} className="contents">
                  <dt className="font-mono text-mono">{key}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <p>
        <button type="button" className="button" onClick={onClose}>
          Close
        </button>
      </p>
    </Dialog>
  );
}
