/** One of a few, kept small until it is opened; on Radix's select. */
import { Select } from "radix-ui";

import { NONCE } from "./nonce";

export interface PickOption<T extends string> {
  value: T;
  label: string;
}

export function Pick<T extends string>({
  label,
  value,
  options,
  onChange,
  quiet = false,
}: {
  label: string;
  value: T;
  options: readonly PickOption<T>[];
  onChange: (value: T) => void;
  /** For a choice that is seldom made: without a frame until the pointer or the focus is on it. */
  quiet?: boolean;
}) {
  return (
    <Select.Root
      value={value}
      onValueChange={(chosen) => {
        const option = options.find((one) => one.value === chosen);
        if (option) onChange(option.value);
      }}
    >
      <Select.Trigger
        aria-label={label}
        className={`inline-flex items-center gap-1.5 rounded-md border-2 px-2 text-sm whitespace-nowrap hover:border-rule-deep focus-visible:border-rule-deep ${quiet ? "border-transparent text-soft" : "min-h-9 border-crease bg-leaf font-medium"}`}
      >
        <Select.Value />
        <Select.Icon aria-hidden>
          <svg viewBox="0 0 10 6" className="h-1.5 w-2.5" fill="none" stroke="currentColor">
            <path d="M1 1 Q5 6.5 9 1" strokeWidth="1.6" strokeLinecap="round" />
          </svg>
        </Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          className="z-20 rounded-md border-2 border-ink bg-paper p-1 shadow-lg"
        >
          <Select.Viewport nonce={NONCE}>
            {options.map((option) => (
              <Select.Item
                key={option.value}
                value={option.value}
                className="cursor-default rounded px-3 py-1.5 outline-none select-none data-[highlighted]:bg-rule-wash data-[state=checked]:font-bold"
              >
                <Select.ItemText>{option.label}</Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
