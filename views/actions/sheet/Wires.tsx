"use client";
/** The wires of the patch sheet, the one being drawn among them. A wire is picked by a click on it; live ones are marked by `live.ts`. */
import { setSheetState, useSheetState, type Picked } from "../sheetState";
import type { ConnectionStart } from "../../interaction/connections";
import type { SheetData } from "../useSheet";
import type { Columns } from "./columns";
import { isDrawn, type DrawnPart } from "./useDrawnPart";
import { useSessionActions } from "../../document/SessionContext";

/** Length of a wire that leads nowhere, CSS px. */
const STUB = 16;

/** `drawn`: the part of the sheet that is there; a wire of which neither end is in it is omitted. */
export function Wires({ data, columns, drawn }: { data: SheetData; columns: Columns; drawn: DrawnPart | null }) {
  const { positions, chain, statuses, loose } = data;
  const endX = columns.ends.x + columns.ends.w;
  const leftX = columns.actions.x;
  const rightX = columns.actions.x + columns.actions.w;
  const controlX = columns.controls.x;
  const lit = (key: string) => chain === null || chain.wires.has(key);
  const served = new Set(positions.serveWires.map((w) => w.action));
  const bound = new Set(positions.hardwareWires.map((w) => w.action));
  const strays = new Set(loose.map((e) => `${e.control} ${e.index}`));
  return (
    <svg width={columns.width} height={positions.height} className="absolute inset-0" aria-hidden>
      {positions.hardwareWires.map((w) =>
        isDrawn(drawn, w.fromY, 0) || isDrawn(drawn, w.toY, 0) ? (
          <WirePath
            key={w.key}
            id={w.key}
            d={curve(endX, w.fromY, leftX, w.toY)}
            lit={lit(w.key)}
            picked={chain !== null && lit(w.key)}
            pick={{ kind: "hardware", action: w.action, list: w.list, index: w.index }}
          />
        ) : null,
      )}
      {positions.serveWires.map((w) => {
        if (!isDrawn(drawn, w.toY, 0) && !isDrawn(drawn, w.fromY ?? w.toY, 0)) return null;
        const wrong = strays.has(`${w.id} ${w.index}`);
        if (w.fromY === null)
          return wrong ? (
            <g key={w.key} opacity={lit(w.key) ? 1 : 0.25}>
              <path d={`M${controlX} ${w.toY}h${-STUB}`} stroke="var(--blocker)" strokeDasharray="4 3" fill="none" />
              <circle cx={controlX - STUB - 4} cy={w.toY} r={3.5} fill="var(--paper)" stroke="var(--blocker)" />
            </g>
          ) : null;
        return (
          <WirePath
            key={w.key}
            id={w.key}
            // Drawn from the control to the action, so that the live mark runs the way the value goes.
            d={curve(controlX, w.toY, rightX, w.fromY)}
            lit={lit(w.key)}
            picked={chain !== null && lit(w.key)}
            wrong={wrong}
            pick={{ kind: "serve", id: w.id, index: w.index }}
          />
        );
      })}
      {[...positions.actions].map(([name, row]) =>
        bound.has(name) || !isDrawn(drawn, row.y, row.h) ? null : (
          <path
            key={name}
            d={`M${leftX} ${row.y + row.h / 2}h${endX - leftX}`}
            stroke="var(--muted)"
            strokeDasharray="4 3"
            fill="none"
            opacity={chain === null || chain.actions.has(name) ? 1 : 0.25}
          />
        ),
      )}
      {[...positions.actions].map(([name, row]) => {
        const status = statuses.get(name);
        if (!status || served.has(name) || !isDrawn(drawn, row.y, row.h)) return null;
        const tone = status.toDo ? "var(--blocker)" : "var(--muted)";
        return (
          <g key={name} opacity={chain === null || chain.actions.has(name) ? 1 : 0.25}>
            <path d={`M${rightX} ${row.y + row.h / 2}h${STUB}`} stroke={tone} strokeDasharray="4 3" fill="none" />
            <circle cx={rightX + STUB + 4} cy={row.y + row.h / 2} r={3.5} fill="var(--paper)" stroke={tone} />
          </g>
        );
      })}
      <Drawing data={data} columns={columns} />
    </svg>
  );
}

function curve(x0: number, y0: number, x1: number, y1: number): string {
  const bend = (x1 - x0) * 0.5;
  return `M${x0} ${y0}C${x0 + bend} ${y0} ${x1 - bend} ${y1} ${x1} ${y1}`;
}

function WirePath({ id, d, lit, picked, wrong = false, pick }: { id: string; d: string; lit: boolean; picked: boolean; wrong?: boolean; pick: Picked }) {
  const session = useSessionActions();
  const tone = picked ? "var(--accent)" : wrong ? "var(--blocker)" : "var(--ink)";
  return (
    <g opacity={lit ? 1 : 0.16} onClick={() => setSheetState(session, { pick })} className="cursor-pointer">
      <path d={d} stroke="transparent" strokeWidth={11} fill="none" pointerEvents="stroke" />
      <path d={d} data-wire={id} className="wire" stroke={tone} strokeWidth={picked ? 2 : 1} strokeDasharray={wrong ? "4 3" : undefined} fill="none" />
    </g>
  );
}

/** The wire being drawn: from its start to the pointer, or to the end it has been led to. */
function Drawing({ data, columns }: { data: SheetData; columns: Columns }) {
  const connectionDrag = useSheetState((p) => p.connectionDrag);
  if (!connectionDrag) return null;
  const from = startPoint(connectionDrag.start, data, columns);
  if (!from) return null;
  const bad = connectionDrag.over !== null && connectionDrag.why !== null;
  const tone = bad ? "var(--blocker)" : "var(--accent)";
  return (
    <g pointerEvents="none">
      <path
        d={curve(from.x, from.y, connectionDrag.at.x, connectionDrag.at.y)}
        stroke={tone}
        strokeWidth={2}
        strokeDasharray={connectionDrag.over && !bad ? undefined : "5 4"}
        fill="none"
      />
      <circle cx={connectionDrag.at.x} cy={connectionDrag.at.y} r={4} fill={connectionDrag.over && !bad ? tone : "var(--paper)"} stroke={tone} />
    </g>
  );
}

function startPoint(start: ConnectionStart, { positions }: SheetData, columns: Columns): { x: number; y: number } | null {
  switch (start.kind) {
    case "action": {
      const row = positions.actions.get(start.name);
      return row ? { x: start.side === "hardware" ? columns.actions.x : columns.actions.x + columns.actions.w, y: row.y + row.h / 2 } : null;
    }
    case "end": {
      const row = positions.ends.find((e) => e.end === start.end);
      return row ? { x: columns.ends.x + columns.ends.w, y: row.y + row.h / 2 } : null;
    }
    case "port": {
      const row = positions.controls.get(start.id);
      return row ? { x: columns.controls.x, y: row.y + 14 } : null;
    }
    case "serve": {
      const wire = positions.serveWires.find((w) => w.id === start.id && w.index === start.index);
      return wire ? { x: columns.controls.x, y: wire.toY } : null;
    }
  }
}
