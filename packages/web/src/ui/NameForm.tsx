import { useState } from 'react';

/** A name to type, inside a Pop: Enter takes it. */
export function NameForm({
  label,
  initial = '',
  action,
  onName,
}: {
  label: string;
  initial?: string;
  action: string;
  onName(name: string): void;
}) {
  const [name, setName] = useState(initial);
  const clean = name.trim();
  return (
    <form
      className="flex flex-col gap-2 p-1"
      onSubmit={(e) => {
        e.preventDefault();
        if (clean) onName(clean);
      }}
    >
      <label className="flex flex-col gap-1">
        {label}
        <input
          className="field"
          autoFocus
          maxLength={120}
          value={name}
          onChange={(e) => setName(e.target.value)}
          onFocus={(e) => e.target.select()}
        />
      </label>
      <button type="submit" className="btn main self-start" disabled={!clean}>
        {action}
      </button>
    </form>
  );
}
