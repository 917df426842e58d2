"use client";
/** What stands behind the controls: one of the project's stills or a screenshot of one's own game, filled or fitted, dimmed. */
import { useRef, useState } from "react";
import { changeLayout } from "../../../core/editing/edits/layout";
import { PICTURES } from "../../../core/format/limits";
import type { Workbench } from "../../../core/format/types";
import { problemText } from "../../../core/engine/result";
import { Dialogue } from "../../../ui/Dialogue";
import { ChoiceField } from "../../../ui/Field";
import { Range } from "../../../ui/Range";
import { FileInput } from "../../../ui/FileInput";
import { useSession, useSessionActions } from "../../session/context";
import { pictureUrl } from "../../shared/images";
import { readPicture } from "../../shared/pictureFile";

const TYPES = ["image/png", "image/webp", "image/jpeg"] as const;

export function BackdropDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const session = useSessionActions();
  const bench = useSession((s) => s.layout.workbench);
  const [problem, setProblem] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const change = (label: string, next: Partial<Workbench>, merge = false) =>
    session.edit(label, (l) => changeLayout(l, { workbench: { ...l.workbench, ...next } }), merge);
  const accept = async (file: File) => {
    const read = await readPicture(file, TYPES, PICTURES.backdropBytes.most);
    if (!read.ok) return setProblem(problemText(read.problems).replace(": ", " "));
    setProblem("");
    change("backdrop", { picture: read.value });
  };
  return (
    <Dialogue title="Behind the controls" open={open} onOpenChange={onOpenChange}>
      <div className="grid gap-3">
        <ChoiceField
          label="Still"
          value={bench.picture ? "own" : bench.backdrop}
          options={[
            ["plain", "plain night"],
            ["harbour", "the harbour"],
            ["post-office", "the post office"],
            ...(bench.picture ? ([["own", bench.picture.name]] as const) : []),
          ]}
          onChange={(backdrop) => backdrop !== "own" && change("backdrop", { backdrop, picture: undefined })}
        />
        <div className="flex items-center gap-3">
          <button className="push" onClick={() => input.current?.click()}>
            A screenshot of your game…
          </button>
          <span className="caption">PNG, WebP or JPEG, up to 4 MiB</span>
          <FileInput ref={input} accept={TYPES.join(",")} label="Screenshot file" onFile={(file) => void accept(file)} />
        </div>
        {problem && (
          <p role="alert" className="text-blocker">
            {problem}
          </p>
        )}
        {bench.picture && (
          <>
            {/* eslint-disable-next-line @next/next/no-img-element -- a data URL; there is nothing to optimise */}
            <img src={pictureUrl(bench.picture) ?? undefined} alt={bench.picture.name} className="max-h-[7.5rem] border border-rule object-contain" />
            <ChoiceField
              label="Placed"
              value={bench.fit}
              options={[
                ["fill", "filled: it covers the glass"],
                ["fit", "fitted: all of it is seen"],
              ]}
              onChange={(fit) => change("backdrop", { fit })}
            />
          </>
        )}
        <div className="grid grid-cols-[4.125rem_1fr_2.75rem] items-center gap-2">
          <span className="caption">Dimmed</span>
          <Range
            label="Dimmed"
            value={[bench.dim]}
            min={0}
            max={0.9}
            step={0.05}
            onStart={() => session.begin("dim the backdrop")}
            onChange={([dim]) => session.preview((l) => changeLayout(l, { workbench: { ...l.workbench, dim } }))}
            onEnd={() => session.commit()}
          />
          <span className="figure text-right">{Math.round(bench.dim * 100)} %</span>
        </div>
      </div>
    </Dialogue>
  );
}
