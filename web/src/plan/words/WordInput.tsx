/** A small field for one word. */
import { useId } from "react";

export function WordInput({
  label,
  value,
  placeholder,
  onChange,
  longest = 24,
}: {
  label: string;
  value: string;
  placeholder?: string;
  onChange: (value: string) => void;
  longest?: number;
}) {
  const id = useId();
  return (
    <span className="flex flex-col">
      <label htmlFor={id} className="text-sm text-soft">
        {label}
      </label>
      <input
        id={id}
        value={value}
        placeholder={placeholder}
        maxLength={longest}
        autoComplete="off"
        autoCapitalize="none"
        spellCheck={false}
        onChange={(event) => {
          onChange(event.target.value);
        }}
        className="min-h-11 w-36 rounded-md border-2 border-crease bg-leaf px-3 text-lg placeholder:text-soft"
      />
    </span>
  );
}
