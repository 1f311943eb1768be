import { useCombobox } from 'downshift';
import { type KeyboardEvent, type ReactNode, type RefObject, useEffect, useId, useRef, useState } from 'react';
import { useFound } from './useFound';

/** How something was chosen: with which keys held. */
export type How = { shift: boolean; control: boolean };

/** A field to choose from what a few letters find. Escape, and leaving it, keep what was chosen before. */
export function Choose<T>({
  label,
  ask,
  keyOf,
  show,
  chosen,
  none,
  placeholder,
  typed = null,
  asks = true,
  disabled = false,
  autoFocus = false,
  upwards = false,
  always = false,
  opens = false,
  field,
  className = '',
  firstIsMeant = true,
  foot,
  isPicked,
  onKeys,
  onType,
  onChoose,
  onEscape,
}: {
  label: string;
  ask: (words: string, signal: AbortSignal) => Promise<T[]>;
  keyOf: (item: T) => string;
  show: (item: T) => ReactNode;
  /** How what is chosen reads in the field while nothing is typed. */
  chosen: string;
  /** What choosing nothing is called; without it something has to be chosen. */
  none?: string;
  placeholder?: string;
  /** Where what is typed counts by itself: what stands there. */
  typed?: string | null;
  /** Whether what stands there is something to look for. */
  asks?: boolean;
  disabled?: boolean;
  autoFocus?: boolean;
  upwards?: boolean;
  /** Whether what is found is always shown, and not in a list of its own that opens. */
  always?: boolean;
  /** Whether it is open from the beginning. */
  opens?: boolean;
  field?: RefObject<HTMLInputElement | null>;
  className?: string;
  /** Whether Enter means the first, where nobody walked to another. */
  firstIsMeant?: boolean;
  /** Shown below what is found, as long as that is open. */
  foot?: ReactNode;
  /** Where several can be picked: whether this one is. */
  isPicked?: (item: T) => boolean;
  /** Takes a key before the field does; true: it was taken. */
  onKeys?: (event: KeyboardEvent<HTMLInputElement>, under: T | null, whenThere: (then: (items: T[]) => void) => void) => boolean;
  onType?: (typed: string) => void;
  onChoose: (item: T | null, how: How) => void;
  onEscape?: () => void;
}) {
  const id = useId();
  const [words, setWords] = useState<string | null>(always ? '' : null);
  const [open, setOpen] = useState(always || opens);
  const own = useRef<HTMLInputElement>(null);
  /** What stood there last, typed or not. */
  const shownFor = useRef<string | null>(null);
  const input = field ?? own;
  const standing = typed ?? words;
  const found = useFound(open && asks && standing !== null ? standing.trim() : null, ask);
  const items: (T | null)[] = none !== undefined && (standing ?? '').trim() === '' ? [null, ...found.items] : found.items;
  const choose = (item: T | null, how: How = { shift: false, control: false }) => {
    if (!always && !how.control) setOpen(false);
    if (!how.control) setWords(always ? '' : null);
    onChoose(item, how);
  };
  const box = useCombobox<T | null>({
    id,
    items,
    isOpen: open,
    inputValue: standing ?? chosen,
    selectedItem: null,
    defaultHighlightedIndex: firstIsMeant ? 0 : -1,
    itemToString: () => standing ?? chosen,
    itemToKey: (item) => (item === null ? 'none' : keyOf(item)),
    stateReducer: (_, { changes, type }) =>
      type === useCombobox.stateChangeTypes.InputKeyDownEnter || type === useCombobox.stateChangeTypes.ItemClick
        ? { ...changes, inputValue: standing ?? chosen }
        : changes,
    onSelectedItemChange: () => {},
    onIsOpenChange: ({ isOpen, type }) => {
      if (always || type === useCombobox.stateChangeTypes.InputKeyDownEnter || type === useCombobox.stateChangeTypes.ItemClick) return;
      // Whoever puts the caret elsewhere in what stands there is not done with it.
      if (type === useCombobox.stateChangeTypes.InputClick && !isOpen) return;
      setOpen(isOpen);
      if (isOpen) setWords((before) => before ?? '');
      else if (typed === null) setWords(null);
    },
  });
  // What was put there from elsewhere is looked for like what is typed; where it was taken away, that was all.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what stands there matters
  useEffect(() => {
    const before = shownFor.current;
    if (typed === null || before === typed) return;
    shownFor.current = typed;
    if (typed === '') {
      if (before !== null) setOpen(always);
    } else if (document.activeElement === input.current) {
      setOpen(true);
      box.setHighlightedIndex(0);
    }
  }, [typed]);
  const shown = open && asks && (always || standing !== null);
  // A pointer that passed over the list leaves nothing marked; the first is meant all the same.
  const at = box.highlightedIndex < 0 && firstIsMeant ? 0 : box.highlightedIndex;
  return (
    <div className={`relative min-w-0 ${className}`}>
      <input
        {...box.getInputProps({
          ref: input,
          disabled,
          'aria-label': label,
          'aria-labelledby': undefined,
          placeholder: placeholder ?? none ?? label,
          spellCheck: false,
          // What was chosen is replaced by the next letter; what was typed, perhaps before the field had the focus, is gone on with.
          onFocus: (event) => typed === null && (event.target as HTMLInputElement).select(),
          onChange: (event) => {
            const next = (event.target as HTMLInputElement).value;
            shownFor.current = next;
            setWords(next);
            setOpen(true);
            onType?.(next);
          },
          onKeyDown: (event) => {
            const down = event.nativeEvent as unknown as { preventDownshiftDefault?: boolean };
            if (onKeys?.(event as KeyboardEvent<HTMLInputElement>, shown ? (items[at] ?? null) : null, found.whenThere)) {
              event.preventDefault();
              down.preventDownshiftDefault = true;
            } else if (event.key === 'Enter' && shown) {
              event.preventDefault();
              down.preventDownshiftDefault = true;
              const how = { shift: event.shiftKey, control: false };
              if (found.isThere) {
                const item = items[at];
                if (item !== undefined) choose(item, how);
              } else if (firstIsMeant) found.whenThere((arrived) => arrived[0] !== undefined && choose(arrived[0], how));
            } else if (event.key === 'Escape') {
              down.preventDownshiftDefault = true;
              if (shown && !always && !onEscape) {
                event.preventDefault();
                event.stopPropagation();
                setOpen(false);
                if (typed === null) setWords(null);
              } else {
                event.preventDefault();
                setOpen(always);
                onEscape?.();
              }
            } else if (event.key === 'Home' || event.key === 'End') down.preventDownshiftDefault = true;
          },
          onBlur: () => {
            if (always) return;
            setOpen(false);
            if (typed === null) setWords(null);
          },
        })}
        // biome-ignore lint/a11y/noAutofocus: only in panels that a person has just opened to choose here
        autoFocus={autoFocus}
        className={`field ${typed !== null && /^(\/|[a-z][a-z0-9+.-]*:)/i.test(typed.trim()) ? 'font-mono text-mono' : ''}`}
      />
      <div
        className={
          always
            ? ''
            : `absolute inset-x-0 z-20 min-w-80 rounded-md border border-line bg-sheet shadow-xl ${upwards ? 'bottom-full mb-1' : 'top-full mt-1'} ${shown && (items.length > 0 || !found.isThere) ? '' : 'hidden'}`
        }
      >
        <div
          {...box.getMenuProps({
            'aria-label': label,
            'aria-labelledby': undefined,
            ...(isPicked ? { 'aria-multiselectable': true } : {}),
          })}
          className={always ? 'mt-2 max-h-[50vh] overflow-auto' : 'max-h-72 overflow-auto py-1'}
        >
          {shown &&
            items.map((item, index) => (
              <div
                key={item === null ? 'none' : keyOf(item)}
                {...box.getItemProps({
                  item,
                  index,
                  onPointerDown: (event) => event.preventDefault(),
                  onClick: (event) => {
                    (event.nativeEvent as unknown as { preventDownshiftDefault?: boolean }).preventDownshiftDefault = true;
                    choose(item, { shift: event.shiftKey, control: event.ctrlKey || event.metaKey });
                  },
                  ...(isPicked ? { 'aria-selected': item !== null && isPicked(item) } : {}),
                })}
                className={`flex min-w-0 cursor-pointer items-center gap-2 px-3 py-1.5 ${index === at ? 'bg-tide-wash' : ''} ${found.isThere ? '' : 'text-soft'}`}
              >
                {item === null ? <span className="text-soft">{none}</span> : show(item)}
              </div>
            ))}
        </div>
        {shown && foot}
      </div>
      {shown && (found.problem || (found.isThere && items.length === 0)) && (
        <p
          role="status"
          className={`z-20 text-soft ${always ? 'p-2' : `absolute inset-x-0 rounded-md border border-line bg-sheet px-3 py-1.5 shadow-xl ${upwards ? 'bottom-full mb-1' : 'top-full mt-1'}`} ${found.problem ? 'text-brick' : ''}`}
        >
          {found.problem ?? 'Nothing has these letters. Try fewer.'}
        </p>
      )}
    </div>
  );
}
