/** A line to type on; a secret one is not shown, and has so many characters at least. */
export function Line({
  label,
  value,
  onChange,
  secret,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  secret?: number;
}) {
  return (
    <label className="flex flex-col gap-1">
      <span className="text-sm font-medium">{label}</span>
      <input
        value={value}
        required
        type={secret === undefined ? "text" : "password"}
        minLength={secret}
        maxLength={secret === undefined ? 60 : 128}
        autoComplete={
          secret === undefined ? "off" : secret > 1 ? "new-password" : "current-password"
        }
        onChange={(event) => {
          onChange(event.target.value);
        }}
        className="min-h-11 rounded-md border-2 border-crease bg-leaf px-3"
      />
    </label>
  );
}
