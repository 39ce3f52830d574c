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
  vertical = false,
}: {
  label: string;
  value: T | undefined;
  options: readonly Option<T>[];
  onChange: (value: T) => void;
  vertical?: boolean;
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
      orientation={vertical ? "vertical" : "horizontal"}
      className="inline-flex flex-wrap gap-1.5 data-[orientation=vertical]:flex-col"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          aria-label={option.name}
          title={option.name}
          className="inline-flex min-h-11 min-w-11 items-center justify-center gap-2 rounded-md border-2 border-crease bg-leaf px-3 font-medium hover:border-rule-deep data-[state=on]:border-ink data-[state=on]:bg-rule-wash"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
