"use client";
/** The landing area of a stick, in a row: given, its edges, taken away. */
import { X } from "lucide-react";
import { Popover } from "radix-ui";
import { byId } from "../../../core/derived/byId";
import { asKind } from "../../../core/editing/anchors";
import { changeFeel } from "../../../core/editing/edits/controls";
import { landingKey, placementIn } from "../../../core/editing/placeables";
import { type EditContext, seenAs } from "../../../core/editing/placing";
import type { Control, PlainPlacement } from "../../../core/format/types";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSessionActions } from "../../document/SessionContext";
import { SpanFields } from "./SpanFields";

/** Half the screen on the side where the stick is. */
const halfFor = (left: boolean): PlainPlacement => ({
  kind: "span",
  frame: "screen",
  from: [left ? 0 : 0.5, 0],
  to: [left ? 0.5 : 1, 1],
  inset: { left: "0u", top: "0u", right: "0u", bottom: "0u" },
});

/** Where a thumb may come down and bring the stick with it. */
export function Landing({ context, stick }: { context: EditContext; stick: Extract<Control, { kind: "stick" }> }) {
  const session = useSessionActions();
  const key = landingKey(stick.id);
  const placement = placementIn(context.layout, context.resolved.arrangement, key);
  const at = byId(context.resolved.controls).get(stick.id);
  const landing = says("touch.landing");
  const give = () =>
    session.edit(`landing area of ${stick.name}`, (l) =>
      changeFeel(l, stick.id, { landing: halfFor(at === undefined || at.visual.x + at.visual.w / 2 < context.screen.widthPx / 2) }),
    );
  if (!placement)
    return (
      <div className="field-row" data-row>
        <span className="field-name">Landing area</span>
        <button className="push h-6 justify-self-start" onClick={give} {...readingProps(landing)}>
          Add a landing area
        </button>
      </div>
    );
  return (
    <section aria-label="Landing area" className="field-row" data-row>
      <span className="field-name text-land">Landing area</span>
      <span className="flex gap-1">
        <Popover.Root>
          <Popover.Trigger className="push h-6 px-1.5" {...readingProps(landing)}>
            its edges…
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content
              side="top"
              sideOffset={4}
              aria-label="Edges of the landing area"
              className="z-50 grid w-[17rem] gap-1 rounded-sm border border-edge bg-sheet p-2 shadow-lg"
            >
              {placement.kind === "span" ? (
                <SpanFields context={context} id={key} />
              ) : (
                <button
                  className="push h-6 justify-self-start"
                  onClick={() =>
                    session.edit(
                      `landing area of ${stick.name} spans`,
                      seenAs(context, (now) => asKind(now, key, "span")),
                    )
                  }
                >
                  Make it a span
                </button>
              )}
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
        <button
          className="grid size-6 place-items-center"
          aria-label="Remove the landing area"
          onClick={() => session.edit(`landing area of ${stick.name}`, (l) => changeFeel(l, stick.id, { landing: undefined }))}
        >
          <X size={13} />
        </button>
      </span>
    </section>
  );
}
