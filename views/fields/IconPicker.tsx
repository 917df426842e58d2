"use client";
/** Chooses an icon by looking, or by typing part of its name. */
import { ownEntry } from "../../core/engine/playerChanges";
import { Popover } from "radix-ui";
import { useState } from "react";
import { ICONS } from "../../runtime/icons";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { FIELD_LETTERS } from "../../ui/fieldLimits";

function Icon({ name, size = 16 }: { name: string; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 24 24"
      fill="none"
      stroke="currentColor"
      strokeWidth={2}
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      <path d={ownEntry(ICONS, name)} />
    </svg>
  );
}

/** `value`: the icon's name, empty for none, null for several that differ. */
// oxlint-disable-next-line max-lines-per-function -- one popover: its search and its grid share the marked icon
export function IconPicker({
  value,
  proposed = null,
  onChange,
}: {
  value: string | null;
  /** One that its word represents: offered next to, while there is none. */
  proposed?: string | null;
  onChange: (icon: string | undefined) => void;
}) {
  const [open, setOpen] = useState(false);
  const [search, setSearch] = useState("");
  const shown = value === null ? "mixed" : value || "none";
  const names = Object.keys(ICONS).filter((name) => name.includes(search.trim().toLowerCase()));
  const pick = (icon: string | undefined) => {
    onChange(icon);
    setOpen(false);
  };
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <span className="flex gap-1">
        <Popover.Trigger
          className="box flex h-6 min-w-0 flex-1 items-center gap-1.5 px-1.5 text-left"
          aria-label={`Icon: ${shown}`}
          {...readingProps(says("look.icon"), shown)}
        >
          {value && Object.hasOwn(ICONS, value) && <Icon name={value} size={14} />}
          <span>{value === null ? "mixed" : value || "none…"}</span>
        </Popover.Trigger>
        {value === "" && proposed !== null && (
          <button
            className="push h-6 px-1.5"
            aria-label={`Take the icon ${proposed}`}
            onClick={() => onChange(proposed)}
            {...readingProps(says("look.proposed", { icon: proposed }))}
          >
            <Icon name={proposed} size={14} />?
          </button>
        )}
      </span>
      <Popover.Portal>
        <Popover.Content
          side="top"
          sideOffset={4}
          collisionPadding={8}
          aria-label="Icons"
          className="z-50 w-[18.75rem] rounded-sm border border-edge bg-sheet p-2 shadow-lg"
        >
          <div className="mb-1.5 flex gap-1.5">
            <input
              type="search"
              maxLength={FIELD_LETTERS.search}
              aria-label="Search icons"
              className="box h-6 flex-1 px-1.5"
              placeholder="search"
              value={search}
              onChange={(event) => setSearch(event.target.value)}
            />
            <button className="push h-6" onClick={() => pick(undefined)}>
              No icon
            </button>
          </div>
          <div className="grid max-h-[13.75rem] grid-cols-9 gap-0.5 overflow-auto">
            {names.map((name) => (
              <button
                key={name}
                aria-label={name}
                title={name}
                aria-pressed={value === name}
                className={`grid size-7 place-items-center rounded-sm ${value === name ? "bg-accent text-on-accent" : "hover:bg-paper"}`}
                onClick={() => pick(name)}
              >
                <Icon name={name} size={18} />
              </button>
            ))}
          </div>
          {names.length === 0 && <p className="text-muted">No icon has that in its name.</p>}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
