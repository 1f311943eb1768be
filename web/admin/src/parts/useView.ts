import { type RefCallback, useCallback, useEffect, useRef } from 'react';

/**
 * What every view does: the page's title names it and the thing; on coming here the focus goes to its heading, unless the
 * view has put it elsewhere already.
 */
export function useView(title: string): RefCallback<HTMLHeadingElement> {
  useEffect(() => {
    document.title = title ? `${title} · Gentle Lantern` : 'Gentle Lantern';
  }, [title]);
  const come = useRef(false);
  return useCallback((heading) => {
    if (!heading || come.current) return;
    come.current = true;
    const active = document.activeElement;
    if (!active || active === document.body || active.closest('[data-navigation]')) heading.focus({ preventScroll: true });
  }, []);
}
