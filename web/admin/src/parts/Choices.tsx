import { ToggleGroup } from 'radix-ui';

/** A few choices side by side, one of them chosen. The arrow keys walk; nothing is chosen before Space or Enter. */
export function Choices<T extends string>({
  name,
  all,
  chosen,
  disabled = false,
  onChoose,
  onPoint,
}: {
  name: string;
  all: readonly (readonly [id: T, words: string])[];
  chosen: T | null;
  disabled?: boolean;
  onChoose: (chosen: T) => void;
  /** One of them is under the pointer or has the focus; null: none any more. */
  onPoint?: (pointed: T | null) => void;
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
        <ToggleGroup.Item
          key={id}
          value={id}
          className="choice"
          {...(onPoint && {
            onPointerEnter: () => onPoint(id),
            onPointerLeave: () => onPoint(null),
            onFocus: () => onPoint(id),
            onBlur: () => onPoint(null),
          })}
        >
          {words}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
