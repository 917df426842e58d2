"use client";
/** A touch control on the patch sheet with the ports it serves by; all its ports show while it is picked, or a wire is led to it. */
import { memo } from "react";
import { saySame } from "../../fields/sameData";
import { changeServe } from "../../../core/editing/edits/actions";
import type { ActionKind, Control, Port, Serve } from "../../../core/format/types";
import { portsOf, serveGives } from "../../../core/wiring/serves";
import { ignoredPart } from "../../../core/wiring/ignored";
import type { LooseEnd } from "../../../core/wiring/actionStatus";
import { useSessionActions } from "../../document/SessionContext";
import { setSheetState, useSheetState } from "../sheetState";
import { CONTROL_HEAD, SERVE_HEIGHT, type SheetRow } from "../sheetPositions";
import { targetKey } from "../../interaction/connections";
import { fitClass, useFit } from "./useFit";
import type { Connecting } from "./useConnectionDrag";

interface Props {
  readonly control: Control;
  /** The kind of each action that it serves, in the order of its wires; null where there is no such action. */
  readonly kinds: readonly (ActionKind | null)[];
  readonly loose: readonly LooseEnd[];
  readonly row: SheetRow;
  readonly dim: boolean;
  readonly picked: boolean;
  readonly connecting: Connecting;
}

/** A port in the room of a few letters. */
const PORT_SIGN: Partial<Record<Port, string>> = { up: "▲", down: "▼", left: "◀", right: "▶", vector: "x,y", motion: "move" };
export const portSign = (port: Port): string => PORT_SIGN[port] ?? port;

export const SheetControl = memo(function SheetControl({ control, kinds, loose, row, dim, picked, connecting }: Props) {
  const session = useSessionActions();
  const { id } = control;
  const fit = useFit({ kind: "port", id, port: null });
  const led = useSheetState((p) => p.connectionDrag?.over?.kind === "port" && p.connectionDrag.over.id === id && p.connectionDrag.why === null);
  const serves = control.serves as readonly Serve[];
  const silent = loose.find((e) => e.index === null);
  return (
    <li
      className={`absolute w-full rounded-sm border bg-sheet ${fitClass(fit, picked, dim)}`}
      style={{ top: row.y, height: row.h }}
      data-sheet-control={id}
      data-target={targetKey({ kind: "port", id, port: null })}
      tabIndex={-1}
      title={fit.why ?? undefined}
      onClick={() => setSheetState(session, { pick: { kind: "control", id } })}
    >
      <p className="flex items-center gap-1 pr-2" style={{ height: CONTROL_HEAD - 1 }}>
        <Knob label={`Draw a wire from ${control.name} to an action`} props={connecting.endProps({ kind: "port", id, port: null })} />
        <button className="flex h-full min-w-0 flex-1 items-center gap-2 text-left">
          <span className="truncate font-medium">{control.name}</span>
          <span className="caption">{control.kind}</span>
        </button>
      </p>
      {(picked || led) && <Ports control={control} connecting={connecting} />}
      {silent && (
        <p className="pl-7 text-[0.6875rem] text-warning" style={{ height: SERVE_HEIGHT - 1 }}>
          ◆ {silent.word}
        </p>
      )}
      {serves.map((serve, index) => (
        <ServeRow
          key={index}
          control={control}
          serve={serve}
          index={index}
          kind={kinds[index]}
          loose={loose.find((e) => e.index === index) ?? null}
          connecting={connecting}
        />
      ))}
    </li>
  );
}, saySame);

function Knob({ label, props }: { label: string; props: ReturnType<Connecting["endProps"]> }) {
  return (
    <button
      className="grid h-full w-6 shrink-0 cursor-crosshair touch-none place-items-center hover:text-accent"
      aria-label={label}
      title="Drag to an action, or press Enter and use the arrow keys"
      {...props}
    >
      <span aria-hidden className="size-2 rounded-full border border-current bg-paper" />
    </button>
  );
}

function ServeRow({
  control,
  serve,
  index,
  kind,
  loose,
  connecting,
}: {
  control: Control;
  serve: Serve;
  index: number;
  kind: ActionKind | null;
  loose: LooseEnd | null;
  connecting: Connecting;
}) {
  const session = useSessionActions();
  const { id } = control;
  const picked = useSheetState((p) => p.pick?.kind === "serve" && p.pick.id === id && p.pick.index === index);
  const stray = kind === null;
  const near = loose?.near ?? null;
  const ignored = kind === null || loose ? null : ignoredPart(serve, kind);
  return (
    <p className={`flex items-center gap-1 pr-2 ${picked ? "bg-sheet shadow-[inset_3px_0_0_var(--accent)]" : ""}`} style={{ height: SERVE_HEIGHT }}>
      <Knob
        label={stray ? `Change the action of ${control.name}` : `Draw another wire from the ${serve.port} port of ${control.name}`}
        props={connecting.endProps(stray ? { kind: "serve", id, index } : { kind: "port", id, port: serve.port })}
      />
      <button
        className={`flex h-full items-center gap-1.5 text-left ${loose || ignored ? "max-w-[60%] shrink-0" : "min-w-0 flex-1"}`}
        aria-label={`The wire from ${control.name} ${serve.port} to ${serve.action}`}
        aria-pressed={picked}
        onClick={(event) => {
          event.stopPropagation();
          setSheetState(session, { pick: { kind: "serve", id, index } });
        }}
      >
        <span className="caption w-12 shrink-0">{portSign(serve.port)}</span>
        <span className={`figure truncate ${stray ? "text-blocker" : ""}`}>{serve.action}</span>
        {kind !== null && !loose && !ignored && (serve.value !== undefined || serve.scale !== undefined || serve.repeat) && (
          <span className="caption truncate">{serveGives(serve, kind)}</span>
        )}
      </button>
      {ignored && (
        <span className="ml-auto flex min-w-0 items-center gap-1.5 text-[0.6875rem] text-warning">
          <span className="min-w-0 truncate" title={ignored.word}>
            {ignored.part} ignored
          </span>
          <button
            className="shrink-0 underline"
            onClick={() =>
              session.edit(`remove the ignored ${ignored.part} of ${control.name}`, (l) => changeServe(l, id, index, { [ignored.part]: undefined }))
            }
          >
            Remove
          </button>
        </span>
      )}
      {loose && (
        <span className="ml-auto flex min-w-0 items-center gap-1.5 text-[0.6875rem] text-blocker">
          <span className="min-w-0 truncate" title={loose.word}>
            {loose.word}
          </span>
          {near !== null && (
            <button
              className="shrink-0 underline"
              onClick={() => session.edit(`bind ${control.name} to ${near}`, (l) => changeServe(l, id, index, { action: near }))}
            >
              Use {near}
            </button>
          )}
        </span>
      )}
    </p>
  );
}

/** Every port of the control, to draw a wire from or to. Hangs below it, over what is there, so that nothing moves under the pointer and its own word stays in sight. */
function Ports({ control, connecting }: { control: Control; connecting: Connecting }) {
  return (
    <span
      role="group"
      aria-label={`Ports of ${control.name}`}
      className="absolute top-full right-0 z-10 flex gap-0.5 rounded-b-sm border border-accent bg-sheet p-0.5"
    >
      {portsOf(control.kind).map((port) => (
        <PortCell key={port} control={control} port={port} connecting={connecting} />
      ))}
    </span>
  );
}

function PortCell({ control, port, connecting }: { control: Control; port: Port; connecting: Connecting }) {
  const fit = useFit({ kind: "port", id: control.id, port });
  const used = (control.serves as readonly Serve[]).some((s) => s.port === port);
  return (
    <button
      data-target={targetKey({ kind: "port", id: control.id, port })}
      className={`h-6 min-w-6 cursor-crosshair touch-none rounded-sm border px-0.5 text-[0.625rem] ${used && fit.state === "none" ? "border-edge text-ink" : "text-muted"} ${fitClass(fit, false, false)}`}
      aria-label={`Draw a wire from the ${port} port of ${control.name}`}
      title={fit.why ?? `${port} port: drag to an action`}
      {...connecting.endProps({ kind: "port", id: control.id, port })}
    >
      {portSign(port)}
    </button>
  );
}
