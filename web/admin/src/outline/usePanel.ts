import { useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { api, ask, type Entry, type Menu } from '../data/client';
import { track } from '../data/edits';
import { refresh } from '../data/queries';
import { warn } from '../data/told';

/** Opens the wide panel of an entry of the first level; where it has none, its dropdown is made one. */
export function usePanel(menu: Menu) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  return async (entry: Entry) => {
    try {
      if (!entry.opensPanel) {
        await track(ask(api.POST('/api/menus/{id}/panels/{entry}', { params: { path: { id: menu.id, entry: entry.id } } })));
        void refresh(queries, [{ about: 'menu', id: menu.id }]);
      }
      navigate(`/menus/${entry.id}`);
    } catch (error) {
      warn(error);
    }
  };
}
