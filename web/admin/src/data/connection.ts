import { createStore } from './store';

export type Connection = 'there' | 'away' | 'signed-out';

/** How the last request fared: whether the server answers, and knows who asks. */
export const connection = createStore<Connection>('there');

/** Told of each answer's status; 0: there was none. */
export function seen(status: number): void {
  if (status === 401) connection.set('signed-out');
  else if (status === 0 || status === 502 || status === 503 || status === 504) connection.set('away');
  else connection.set('there');
}

/** Calls whoever waits as soon as the server answers again. */
export function onceThere(again: () => void): () => void {
  const stop = connection.subscribe(() => {
    if (connection.get() !== 'there') return;
    stop();
    again();
  });
  return stop;
}
