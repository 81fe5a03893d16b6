import { Lens } from './glyphs.tsx';

interface SearchProps {
  placeholder: string;
  label: string;
  value: string;
  onChange(text: string): void;
}

/** A field that narrows down a list as one types. */
export function Search({ placeholder, label, value, onChange }: SearchProps) {
  return (
    <label className="search find-page">
      <Lens />
      <input
        className="field"
        placeholder={placeholder}
        aria-label={label}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}
