import { useQueryClient } from '@tanstack/react-query';
import type { Menu } from '../data/client';
import { redo, undo } from '../data/edits';
import { Acts } from '../parts/Acts';
import { useHistory } from './useHistory';

/** What is done with the menu as a whole. */
export function MenuActs({
  menu,
  canEdit,
  onPaste,
  onFold,
}: {
  menu: Menu;
  canEdit: boolean;
  onPaste: () => void;
  onFold: (shut: boolean) => void;
}) {
  const queries = useQueryClient();
  const history = useHistory();
  const file = (format: string, says: string) => ({ name: says, href: `/api/menus/${menu.id}/export.${format}` });
  return (
    <span className="flex shrink-0 items-center">
      <button
        type="button"
        className="choice hover:text-ink disabled:opacity-45"
        disabled={!history.undo || !canEdit}
        title={history.undo ? `Take back: ${history.undo}` : undefined}
        onClick={() => void undo(queries)}
      >
        Undo
      </button>
      <button
        type="button"
        className="choice hover:text-ink disabled:opacity-45"
        disabled={!history.redo || !canEdit}
        title={history.redo ? `Make again: ${history.redo}` : undefined}
        onClick={() => void redo(queries)}
      >
        Redo
      </button>
      <Acts
        label={`More for ${menu.name}`}
        acts={[
          ...(canEdit ? [{ name: menu.kind === 'menu' ? 'From a list…' : 'From a file…', does: onPaste }] : []),
          { name: 'Fold all', does: () => onFold(true) },
          { name: 'Unfold all', does: () => onFold(false) },
          null,
          {
            name: 'As a file',
            acts: [
              ...(menu.kind === 'menu'
                ? [file('txt', 'Indented lines, to paste again'), file('opml', 'OPML 2.0, for other outlines')]
                : []),
              file('json', 'JSON, with everything'),
            ],
          },
        ]}
      >
        More ▾
      </Acts>
    </span>
  );
}
