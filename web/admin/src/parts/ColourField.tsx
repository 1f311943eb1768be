import { useId } from 'react';

/** A colour of one's own, or the one that the shop has everywhere. */
export function ColourField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string | null;
  onChange: (colour: string | null) => void;
}) {
  const id = useId();
  return (
    <span className="flex items-center gap-1.5">
      <label htmlFor={id} className="text-soft">
        {label}
      </label>
      <input
        id={id}
        type="color"
        className="size-6 cursor-pointer rounded border border-edge bg-sheet p-0.5"
        defaultValue={value ?? '#ffffff'}
        key={value}
        // Not while one still drags over the colours.
        ref={(input) => {
          if (input) input.onchange = () => onChange(input.value);
        }}
      />
      {value === null ? (
        <span className="text-sm text-soft">as the shop</span>
      ) : (
        <button type="button" className="min-h-6 text-sm text-tide underline" onClick={() => onChange(null)}>
          as the shop
        </button>
      )}
    </span>
  );
}
