import { Toast } from 'radix-ui';
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';

type Told = { id: number; words: string; wrong: boolean; undo?: () => void };
type Tell = { say: (words: string, undo?: () => void) => void; warn: (error: unknown) => void };

const Telling = createContext<Tell>({ say: () => {}, warn: () => {} });

export const useTell = () => useContext(Telling);

/** Short messages at the foot of the view: what was done, with its undoing, or what could not be done. */
export function Toasts({ children }: { children: ReactNode }) {
  const [told, setTold] = useState<Told[]>([]);
  const add = useCallback((one: Omit<Told, 'id'>) => setTold((all) => [...all.slice(-2), { ...one, id: Date.now() + Math.random() }]), []);
  const tell = useMemo<Tell>(
    () => ({
      say: (words, undo) => add({ words, wrong: false, undo }),
      warn: (error) => add({ words: error instanceof Error ? error.message : String(error), wrong: true }),
    }),
    [add],
  );
  return (
    <Telling value={tell}>
      <Toast.Provider swipeDirection="right" duration={9000}>
        {children}
        {told.map((one) => (
          <Toast.Root
            key={one.id}
            type={one.wrong ? 'foreground' : 'background'}
            onOpenChange={(open) => !open && setTold((all) => all.filter(({ id }) => id !== one.id))}
            className={`flex items-center gap-4 rounded-md border px-4 py-2.5 shadow-lg ${one.wrong ? 'border-brick bg-brick-wash text-[#7c2c1d]' : 'border-line bg-sheet'}`}
          >
            <Toast.Description>{one.words}</Toast.Description>
            {one.undo && (
              <Toast.Action altText="Undo it with the button in the view" asChild>
                <button type="button" className="font-semibold text-tide" onClick={one.undo}>
                  Undo
                </button>
              </Toast.Action>
            )}
            <Toast.Close className="ml-auto text-soft" aria-label="Put this message away">
              ✕
            </Toast.Close>
          </Toast.Root>
        ))}
        <Toast.Viewport className="fixed bottom-16 left-4 z-20 grid w-[min(480px,calc(100vw-2rem))] gap-2" />
      </Toast.Provider>
    </Telling>
  );
}
