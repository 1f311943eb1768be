import { Select } from 'radix-ui';
import { meta } from '../data/client';
import { useOver } from './over';

const NONE = '-';

/** One of several that are too many to stand side by side. It opens before anything is chosen, by keyboard too. */
export function Pick({
  label,
  labelShown = true,
  all,
  chosen,
  placeholder = 'choose…',
  disabled = false,
  onChoose,
}: {
  label: string;
  labelShown?: boolean;
  all: readonly (readonly [id: string, words: string])[];
  chosen: string;
  placeholder?: string;
  disabled?: boolean;
  onChoose: (chosen: string) => void;
}) {
  const over = useOver();
  return (
    <span className="flex min-w-0 items-center gap-1.5 whitespace-nowrap">
      {labelShown && (
        <span className="text-sm text-soft" aria-hidden="true">
          {label}
        </span>
      )}
      <Select.Root
        value={chosen === '' ? (all.some(([id]) => id === '') ? NONE : '') : chosen}
        disabled={disabled}
        onValueChange={(next) => onChoose(next === NONE ? '' : next)}
      >
        <Select.Trigger aria-label={label} className="field flex w-auto max-w-56 min-w-0 items-center gap-2">
          <span className="min-w-0 truncate">
            <Select.Value placeholder={placeholder} />
          </span>
          <Select.Icon className="ml-auto text-soft">▾</Select.Icon>
        </Select.Trigger>
        <Select.Portal container={over}>
          <Select.Content
            position="popper"
            sideOffset={4}
            className="z-50 max-h-72 overflow-hidden rounded-md border border-line bg-sheet py-1 shadow-xl"
          >
            <Select.Viewport nonce={meta('style-nonce')}>
              {all.map(([id, words]) => (
                <Select.Item key={id} value={id === '' ? NONE : id} className="item">
                  <Select.ItemText>{words}</Select.ItemText>
                </Select.Item>
              ))}
            </Select.Viewport>
          </Select.Content>
        </Select.Portal>
      </Select.Root>
    </span>
  );
}
