import { createContext, useContext } from 'react';

/** Whether one is in a dialog: what opens from there opens over it. */
export const InDialog = createContext(false);

/** Where lists of acts and choices open: in a part of the page that has a name, so that nobody lands outside of all. */
export function useOver(): HTMLElement | undefined {
  const inDialog = useContext(InDialog);
  return inDialog ? undefined : (document.getElementById('over') ?? undefined);
}
