"use client";
/** What of the layout's settings no plain field shows: the backdrop, sets of looks, hit areas that grow. */
import dynamic from "next/dynamic";
import { useState } from "react";
import { looksOfSet, LOOK_SETS, putLooks, lookSetOf, type LookSet } from "../../../core/editing/lookSets";
import { readingProps } from "../../../ui/reading";
import { Labelled } from "../../../ui/Typed";
import { says } from "../../shell/reading/sentences";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { benchContextNow } from "../../document/benchContext";
import { growSelected } from "../selectionEdits";

const BackdropDialogue = dynamic(() => import("./BackdropDialogue").then((m) => m.BackdropDialogue));

const PLAIN: Readonly<Record<LookSet, string>> = {
  line: "thin lines",
  solid: "solid plates",
  night: "dim and warm",
};

/** Sets of looks, each put on every control at one click. */
export function Looks() {
  const session = useSessionActions();
  const worn = useSession((s) => lookSetOf(s.layout));
  return (
    <div className="flex min-h-[1.625rem] flex-wrap items-center justify-between gap-x-2" data-row>
      <span className="field-name">Looks</span>
      <span role="group" aria-label="Looks of every control" className="flex gap-1">
        {LOOK_SETS.map((set) => {
          const { rest } = looksOfSet(set);
          return (
            <button
              key={set}
              className="push h-6 gap-1 px-1 aria-pressed:border-accent aria-pressed:text-accent"
              aria-pressed={worn === set}
              onClick={() => session.edit(`looks: ${set}`, (l) => putLooks(l, set))}
              {...readingProps(says("looks.set", { plain: PLAIN[set] }), set)}
            >
              <svg width="12" height="12" viewBox="0 0 12 12" aria-hidden>
                <circle cx="6" cy="6" r="5" fill={rest.fill} stroke={rest.line} />
              </svg>
              {set}
            </button>
          );
        })}
      </span>
    </div>
  );
}

/** What is behind the controls, by its name; a click chooses. */
export function Backdrop() {
  const bench = useSession((s) => s.layout.workbench);
  const [open, setOpen] = useState(false);
  const name = bench.picture?.name ?? { plain: "a plain colour", harbour: "the harbour", "post-office": "the post office" }[bench.backdrop];
  return (
    <Labelled label="Backdrop">
      <button
        className="box min-h-6 w-full px-1.5 text-left break-words"
        aria-label={`Backdrop: ${name}`}
        onClick={() => setOpen(true)}
        {...readingProps(says("layout.behind"), name)}
      >
        {name}…
      </button>
      {open && <BackdropDialogue open={open} onOpenChange={setOpen} />}
    </Labelled>
  );
}

/** Grows the hit areas of all controls into the room about them. */
export function GrowAll() {
  const session = useSessionActions();
  const grow = () =>
    growSelected(
      session,
      benchContextNow(session),
      session.store.getState().layout.controls.map((c) => c.id),
    );
  return (
    <div className="field-row" data-row>
      <span className="field-name">Hit areas</span>
      <button
        className="push h-auto min-h-6 px-1.5 text-left leading-tight whitespace-normal"
        {...readingProps(says("do.room"), "every control")}
        onClick={grow}
      >
        Grow hit areas
      </button>
    </div>
  );
}
