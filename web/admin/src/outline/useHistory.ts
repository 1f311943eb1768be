import { useQuery } from '@tanstack/react-query';
import type { History } from '../data/client';
import { historyQuery } from '../data/queries';

const nothing: History = { undo: null, redo: null, done: null, menuId: null };

/** What undo would take back now, and redo make again, in words. */
export const useHistory = (): History => useQuery(historyQuery).data ?? nothing;
