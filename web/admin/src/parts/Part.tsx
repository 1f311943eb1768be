import type { ReactNode } from 'react';

/** One part of a sheet, under a name that the sheet's own row of parts leads to. */
export function Part({ name, aside, children }: { name: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <section id={partId(name)} aria-label={name} tabIndex={-1} className="mt-6 scroll-mt-14 border-t border-line pt-4 outline-none">
      <div className="mb-2 flex items-baseline justify-between gap-4">
        <h2>{name}</h2>
        {aside}
      </div>
      {children}
    </section>
  );
}

export const partId = (name: string) => name.toLowerCase().replaceAll(' ', '-');
