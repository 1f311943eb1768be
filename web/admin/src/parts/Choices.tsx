import { ToggleGroup } from 'radix-ui';

/** A few choices side by side, one of them chosen. The arrow keys walk; nothing is chosen before Space or Enter. */
export function Choices<T extends string>({
  name,
  all,
  chosen,
  disabled = false,
  onChoose,
}: {
  name: string;
  all: readonly (readonly [id: T, words: string])[];
  chosen: T | null;
  disabled?: boolean;
  onChoose: (chosen: T) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={name}
      className="flex flex-wrap gap-0.5"
      disabled={disabled}
      value={chosen ?? ''}
      onValueChange={(next) => next !== '' && onChoose(next as T)}
    >
      {all.map(([id, words]) => (
        <ToggleGroup.Item key={id} value={id} className="choice">
          {words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
