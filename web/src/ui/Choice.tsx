/** One of a few, on Radix's toggle group: arrows move, the chosen one is inked. */
import { ToggleGroup } from "radix-ui";
import type { ReactNode } from "react";

export interface Option<T extends string> {
  value: T;
  label: ReactNode;
  name?: string;
}

export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
  small = false,
}: {
  label: string;
  value: T | undefined;
  options: readonly Option<T>[];
  onChange: (value: T) => void;
  small?: boolean;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      value={value ?? ""}
      onValueChange={(chosen) => {
        const option = options.find((one) => one.value === chosen);
        if (option) onChange(option.value); // choosing the chosen one again changes nothing
      }}
      aria-label={label}
      className="inline-flex flex-wrap gap-1.5"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          aria-label={option.name}
          title={option.name}
          className={`inline-flex items-center justify-center gap-2 rounded-md border-2 border-crease bg-leaf font-medium hover:border-rule-deep data-[state=on]:border-ink data-[state=on]:bg-rule-wash ${small ? "min-h-9 px-1.5 text-sm" : "min-h-11 min-w-11 px-3"}`}
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
