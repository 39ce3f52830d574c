/** A line of text that can be changed where it stands; kept on Enter or on leaving it. */
import { type KeyboardEvent, useState } from "react";

export function EditableText({
  label,
  value,
  onChange,
  disabled = false,
  mayBeEmpty = false,
  placeholder,
  longest,
  className = "",
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  disabled?: boolean;
  mayBeEmpty?: boolean;
  placeholder?: string;
  /** In signs; else as long as a name, or, where it may be empty, as a short note. */
  longest?: number;
  className?: string;
}) {
  const [draft, setDraft] = useState<string>();
  if (disabled) return <p className={className}>{value}</p>;
  const keep = () => {
    const text = draft?.trim();
    if (text !== undefined && text !== value && (text || mayBeEmpty)) onChange(text);
    setDraft(undefined);
  };
  const Field = mayBeEmpty ? "textarea" : "input";
  return (
    <Field
      aria-label={label}
      value={draft ?? value}
      placeholder={placeholder}
      maxLength={longest ?? (mayBeEmpty ? 200 : 40)}
      onChange={(event: { target: { value: string } }) => {
        setDraft(event.target.value);
      }}
      onBlur={keep}
      onKeyDown={(event: KeyboardEvent<HTMLElement>) => {
        if (event.key === "Enter") event.currentTarget.blur();
        if (event.key === "Escape") setDraft(undefined);
      }}
      className={`field-sizing-content w-full resize-none rounded-sm border-b-2 border-transparent bg-transparent placeholder:text-soft hover:border-crease focus:border-rule-deep ${className}`}
    />
  );
}
