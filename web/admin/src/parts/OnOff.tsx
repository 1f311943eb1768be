import { Switch } from 'radix-ui';
import { useId } from 'react';

/** Something that is on or off, at once. */
export function OnOff({
  label,
  on,
  disabled = false,
  onChange,
}: {
  label: string;
  on: boolean;
  disabled?: boolean;
  onChange: (on: boolean) => void;
}) {
  const id = useId();
  return (
    <span className="flex min-h-7 items-center gap-2">
      <Switch.Root id={id} className="switch" checked={on} disabled={disabled} onCheckedChange={onChange}>
        <Switch.Thumb className="switch__thumb" />
      </Switch.Root>
      <label htmlFor={id}>{label}</label>
    </span>
  );
}
