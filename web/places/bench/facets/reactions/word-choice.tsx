/** A word of a sentence that is chosen in place. */
export function WordChoice<Value extends string>({
  label,
  value,
  words,
  onChange,
}: {
  label: string;
  value: Value;
  words: readonly (readonly [value: Value, word: string])[];
  onChange: (value: Value) => void;
}) {
  return (
    <select
      className="pick"
      aria-label={label}
      value={value}
      onChange={(event) => {
        const chosen = words.find(([one]) => one === event.currentTarget.value);
        if (chosen) onChange(chosen[0]);
      }}
    >
      {words.map(([one, word]) => (
        <option key={one} value={one}>
          {word}
        </option>
      ))}
    </select>
  );
}

/** Adds a part of a sort to a sentence. */
export function AddWord<Kind extends string>({
  label,
  words,
  onAdd,
}: {
  label: string;
  words: readonly (readonly [kind: Kind, word: string])[];
  onAdd: (kind: Kind) => void;
}) {
  if (!words.length) return null;
  return (
    <select
      className="pick"
      aria-label={label}
      value=""
      onChange={(event) => {
        const chosen = words.find(([one]) => one === event.currentTarget.value);
        if (chosen) onAdd(chosen[0]);
      }}
    >
      <option value="">{label}</option>
      {words.map(([one, word]) => (
        <option key={one} value={one}>
          {word}
        </option>
      ))}
    </select>
  );
}
