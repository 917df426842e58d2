"use client";
/** Aligning and spacing, in a menu. */
import { seenAs } from "../../core/editing/placing";
import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceAround,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceAround,
} from "lucide-react";
import { DropdownMenu } from "radix-ui";
import type { ReactNode } from "react";
import { alignTo, distribute, type Alignment } from "../../core/editing/align";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { benchContextNow } from "../document/benchContext";
import { useSessionActions } from "../document/SessionContext";
import { Stop } from "../../ui/Roving";

const ALIGN: readonly (readonly [Alignment, string, ReactNode])[] = [
  ["left", "Align left", <AlignStartVertical key="l" size={14} />],
  ["centre", "Align centres", <AlignCenterVertical key="c" size={14} />],
  ["right", "Align right", <AlignEndVertical key="r" size={14} />],
  ["top", "Align top", <AlignStartHorizontal key="t" size={14} />],
  ["middle", "Align middles", <AlignCenterHorizontal key="m" size={14} />],
  ["bottom", "Align bottom", <AlignEndHorizontal key="b" size={14} />],
];
const SPACE: readonly (readonly ["x" | "y", string, ReactNode])[] = [
  ["x", "Equal gaps across", <AlignHorizontalSpaceAround key="x" size={14} />],
  ["y", "Equal gaps down", <AlignVerticalSpaceAround key="y" size={14} />],
];
const ITEM = "flex h-7 cursor-pointer items-center gap-2 rounded-sm px-2 outline-none data-[highlighted]:bg-accent data-[highlighted]:text-on-accent";

export function AlignMenu({ keys, told }: { keys: readonly string[]; told: string }) {
  const session = useSessionActions();
  return (
    <DropdownMenu.Root modal={false}>
      <Stop>
        <DropdownMenu.Trigger
          className="grid size-6 place-items-center rounded-sm hover:bg-paper"
          aria-label="Align and space"
          {...readingProps(says("do.alignMenu"), told)}
        >
          <AlignCenterVertical size={14} />
        </DropdownMenu.Trigger>
      </Stop>
      <DropdownMenu.Portal>
        <DropdownMenu.Content side="top" sideOffset={4} collisionPadding={8} className="z-50 rounded-sm border border-edge bg-sheet p-1 shadow-lg">
          {ALIGN.map(([to, word, icon]) => (
            <DropdownMenu.Item
              key={to}
              className={ITEM}
              {...readingProps(says("do.align"), word)}
              onSelect={() =>
                session.edit(
                  word.toLowerCase(),
                  seenAs(benchContextNow(session), (now) => alignTo(now, keys, to)),
                )
              }
            >
              {icon}
              {keys.length === 1 ? `${word} with the safe frame` : word}
            </DropdownMenu.Item>
          ))}
          {keys.length > 2 &&
            SPACE.map(([axis, word, icon]) => (
              <DropdownMenu.Item
                key={axis}
                className={ITEM}
                {...readingProps(says("do.space"), word)}
                onSelect={() =>
                  session.edit(
                    word.toLowerCase(),
                    seenAs(benchContextNow(session), (now) => distribute(now, keys, axis)),
                  )
                }
              >
                {icon}
                {word}
              </DropdownMenu.Item>
            ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
