"use client";
/** A row of words, each on or off. */
interface Props {
  readonly label: string;
  readonly items: readonly { readonly id: string; readonly word: string; readonly on: boolean }[];
  readonly onToggle: (id: string) => void;
}

export function Chips({ label, items, onToggle }: Props) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-1">
      <span className="caption">{label}</span>
      {items.map((item) => (
        <button
          key={item.id}
          aria-pressed={item.on}
          className={`h-6 max-w-full truncate rounded-sm border px-1.5 text-[0.6875rem] ${item.on ? "border-accent bg-accent text-on-accent" : "border-edge text-muted"}`}
          onClick={() => onToggle(item.id)}
        >
          {item.word}
        </button>
      ))}
    </div>
  );
}
