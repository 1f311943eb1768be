/** Puts the focus where the next step is, once what was done has been drawn; where that is gone, on the heading of the view. */
export function focusOn(...selectors: string[]): void {
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      for (const selector of [...selectors, 'main h1']) {
        const found = document.querySelector<HTMLElement>(selector);
        if (!found) continue;
        found.focus();
        return;
      }
    }),
  );
}
