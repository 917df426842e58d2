"use client";
/** What is behind the controls: a still of the project's, a plain colour, or your own screenshots game, one for each moment; filled or fitted, dimmed. */
import { useRef, useState } from "react";
import { changeLayout } from "../../../core/editing/edits/layout";
import { PICTURES } from "../../../core/format/limits";
import type { BackdropPicture, Workbench } from "../../../core/format/types";
import { problemText } from "../../../core/engine/result";
import { Dialogue } from "../../../ui/Dialogue";
import { ownEntry } from "../../../core/engine/playerChanges";
import { says } from "../../shell/reading/sentences";
import { ChoiceField, ColourField } from "../../../ui/Choice";
import { RangeSlider } from "../../../ui/Range";
import { FileInput } from "../../../ui/FileInput";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { pictureUrl } from "../../canvas/images";
import { readPicture } from "../../document/files/pictureFile";

const TYPES = ["image/png", "image/webp", "image/jpeg"] as const;

/** Stands for every moment; ids of moments never begin so. */
const ALL = "*";
/** The plain backdrop's colour where none is chosen. */
const PLAIN = "#1C2A35";

export function BackdropDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const session = useSessionActions();
  const bench = useSession((s) => s.layout.workbench);
  const moments = useSession((s) => s.layout.moments);
  const [which, setWhich] = useState(ALL);
  const [problem, setProblem] = useState("");
  const input = useRef<HTMLInputElement>(null);
  const change = (label: string, next: Partial<Workbench>, merge = false) =>
    session.edit(label, (l) => changeLayout(l, { workbench: { ...l.workbench, ...next } }), merge);
  const { picture } = which === ALL ? bench : { picture: ownEntry(bench.momentPictures, which) };
  const put = (next: BackdropPicture | undefined) => {
    if (which === ALL) return change("backdrop", { picture: next });
    const { [which]: _old, ...others } = bench.momentPictures;
    change("backdrop of a moment", { momentPictures: next ? { ...others, [which]: next } : others });
  };
  const accept = async (file: File) => {
    const read = await readPicture(file, TYPES, PICTURES.backdropBytes.most);
    if (!read.ok) return setProblem(problemText(read.problems).replace(": ", " "));
    setProblem("");
    put(read.value);
  };
  return (
    <Dialogue title="Backdrop" open={open} onOpenChange={onOpenChange}>
      <div className="grid gap-3">
        {moments.length > 0 && (
          <ChoiceField
            label="Moment"
            value={which}
            options={[[ALL, "every moment"], ...moments.map((m) => [m.id, m.name] as const)]}
            reads={says("backdrop.which")}
            onChange={setWhich}
          />
        )}
        <Still which={which} picture={picture} change={change} onRemove={() => put(undefined)} />
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
        {picture && (
          <>
            {/* eslint-disable-next-line @next/next/no-img-element -- a data URL; there is nothing to optimise */}
            <img src={pictureUrl(picture) ?? undefined} alt={picture.name} className="max-h-[7.5rem] border border-rule object-contain" />
            <ChoiceField
              label="Fit"
              reads={says("backdrop.fit")}
              value={bench.fit}
              options={[
                ["fill", "fill the screen"],
                ["fit", "fit into the screen"],
              ]}
              onChange={(fit) => change("backdrop", { fit })}
            />
          </>
        )}
        <Dim />
      </div>
    </Dialogue>
  );
}

type Change = (label: string, next: Partial<Workbench>, merge?: boolean) => boolean;

/** Which still is behind the controls; of one moment its own picture, or that of every moment. */
function Still(props: { which: string; picture: BackdropPicture | undefined; change: Change; onRemove: () => void }) {
  const { which, picture, change, onRemove } = props;
  const bench = useSession((s) => s.layout.workbench);
  return (
    <>
      {which === ALL ? (
        <ChoiceField
          label="Picture"
          value={picture ? "own" : bench.backdrop}
          options={[
            ["plain", "a plain colour"],
            ["harbour", "the harbour"],
            ["post-office", "the post office"],
            ...(picture ? ([["own", picture.name]] as const) : []),
          ]}
          reads={says("backdrop.still")}
          onChange={(backdrop) => backdrop !== "own" && change("backdrop", { backdrop, picture: undefined })}
        />
      ) : (
        <div className="field-row" data-row>
          <span className="field-name">Picture</span>
          <span className="flex items-center gap-2">
            {picture ? picture.name : <span className="text-muted">same as every moment</span>}
            {picture && (
              <button className="push h-6" onClick={onRemove}>
                Remove
              </button>
            )}
          </span>
        </div>
      )}
      {which === ALL && !picture && bench.backdrop === "plain" && (
        <div className="field-row" data-row>
          <span className="field-name">Colour</span>
          <ColourField
            label="Colour of the backdrop"
            value={bench.colour ?? PLAIN}
            reads={says("backdrop.colour")}
            onChange={(colour) => change("colour of the backdrop", { colour }, true)}
          />
        </div>
      )}
    </>
  );
}

function Dim() {
  const session = useSessionActions();
  const bench = useSession((s) => s.layout.workbench);
  return (
    <div className="grid grid-cols-[4.125rem_1fr_2.75rem] items-center gap-2">
      <span className="caption">Dim</span>
      <RangeSlider
        label="Dim"
        reads={says("backdrop.dim")}
        shown={`${Math.round(bench.dim * 100)} %`}
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
  );
}
