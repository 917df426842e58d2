"use client";
/** The lock: what of the selected things is not moved, or not sized, on the bench. */
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { changeLocks, type Lock } from "../../core/editing/locks";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { namesOf } from "../document/names";
import { Stop } from "../../ui/Roving";

const CHOICES: readonly (readonly [string, readonly Lock[]])[] = [
  ["Horizontal position", ["x"]],
  ["Vertical position", ["y"]],
  ["Size", ["size"]],
  ["All", ["x", "y", "size"]],
];
const ITEM = "flex h-7 cursor-pointer items-center gap-2 rounded-sm px-2 outline-none data-[highlighted]:bg-accent data-[highlighted]:text-on-accent";
const WORD: Readonly<Record<Lock, string>> = { x: "horizontal position", y: "vertical position", size: "size" };

/** What of one thing is locked. */
export type LockFact = readonly Lock[];

interface Props {
  readonly keys: readonly string[];
  /** What of each of them is locked. */
  readonly locks: readonly LockFact[];
  readonly told: string;
  /** Open and shut. */
  readonly icons: readonly [ReactNode, ReactNode];
}

export function LockMenu({ keys, locks: lockedNow, told, icons }: Props) {
  const session = useSessionActions();
  const held = (locks: readonly Lock[]) => lockedNow.every((own) => locks.every((lock) => own.includes(lock)));
  const some = [...new Set(lockedNow.flat())];
  const words = some.length === 0 ? "nothing" : some.map((lock) => WORD[lock]).join(", ");
  return (
    <DropdownMenu.Root modal={false}>
      <Stop>
        <DropdownMenu.Trigger
          className={`grid size-6 place-items-center rounded-sm hover:bg-paper ${some.length > 0 ? "text-accent" : ""}`}
          aria-label={`Lock: ${words}`}
          {...readingProps(says("do.lock", { locked: words }), told)}
        >
          {icons[some.length > 0 ? 1 : 0]}
        </DropdownMenu.Trigger>
      </Stop>
      <DropdownMenu.Portal>
        <DropdownMenu.Content side="top" sideOffset={4} collisionPadding={8} className="z-50 rounded-sm border border-edge bg-sheet p-1 shadow-lg">
          {CHOICES.map(([word, locks]) => (
            <DropdownMenu.CheckboxItem
              key={word}
              className={ITEM}
              checked={held(locks)}
              onCheckedChange={(on) =>
                session.edit(`${on ? "lock" : "unlock"} ${namesOf(session.store.getState().layout, keys, "of them")}`, (l) => changeLocks(l, keys, locks, on))
              }
            >
              <span aria-hidden className="w-3">
                <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
              </span>
              {word}
            </DropdownMenu.CheckboxItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
