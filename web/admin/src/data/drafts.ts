/**
 * What was typed and not kept yet, remembered over a reload of the page. It goes as soon as it is kept. A browser that
 * refuses to remember (a private window, no room) costs nothing but that.
 */
const name = (key: string) => `draft ${key}`;

export type Draft<T> = { typed: T; base: T };

export function remember<T>(key: string, draft: Draft<T>): void {
  try {
    sessionStorage.setItem(name(key), JSON.stringify(draft));
  } catch {
    // Remembering is a help, and no more.
  }
}

export function remembered<T>(key: string): Draft<T> | null {
  try {
    const kept = sessionStorage.getItem(name(key));
    return kept === null ? null : (JSON.parse(kept) as Draft<T>);
  } catch {
    return null;
  }
}

export function forget(key: string): void {
  try {
    sessionStorage.removeItem(name(key));
  } catch {
    // It was not remembered either.
  }
}
