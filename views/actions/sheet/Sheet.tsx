"use client";
/** The patch sheet: keys, mouse and pads at the left, actions in the middle, touch controls at the right, wires drawn between. */
import { ChevronDown, ChevronRight } from "lucide-react";
import { byId, byName } from "../../../core/derived/byId";
import { useEffect, useMemo, useRef } from "react";
import { useSessionActions } from "../../document/SessionContext";
import { useRoom } from "../../canvas/useRoom";
import { setSheetState, toggleFold, useSheetState } from "../sheetState";
import { endTitle } from "../../fields/keyWords";
import { targetKey } from "../../interaction/connections";
import type { SheetData } from "../useSheet";
import { columnsOf } from "./columns";
import { SheetAction } from "./SheetAction";
import { SheetControl } from "./SheetControl";
import { SheetEnd, wiresByEnd } from "./SheetEnds";
import { useConnectionDrag, wordOf, type Connecting } from "./useConnectionDrag";
import { isDrawn, useDrawnPart } from "./useDrawnPart";
import { Wires } from "./Wires";

/** One empty list for all, so that a row without draws again for nothing. */
const NONE: readonly never[] = [];

/** Where what is picked stands; undefined where nothing is. */
function usePickedY({ positions }: SheetData): number | undefined {
  const pick = useSheetState((p) => p.pick);
  return (pick?.kind === "action" ? positions.actions.get(pick.name) : pick?.kind === "control" ? positions.controls.get(pick.id) : undefined)?.y;
}

export function Sheet({ data }: { data: SheetData }) {
  const { positions, letters } = data;
  const session = useSessionActions();
  const room = useRef<HTMLDivElement>(null);
  const { w, h } = useRoom(room);
  const isDrawing = useSheetState((p) => p.connectionDrag !== null);
  const count = positions.ends.length + positions.actions.size + positions.controls.size + positions.hardwareWires.length + positions.serveWires.length;
  const drawn = useDrawnPart(room, { count, height: h, holds: isDrawing });
  // What is picked from afar comes into sight, also where it is not drawn yet.
  const anyY = usePickedY(data);
  const pickedY = drawn === null ? undefined : anyY;
  useEffect(() => {
    const element = room.current;
    if (element && pickedY !== undefined && (pickedY < element.scrollTop || pickedY > element.scrollTop + element.clientHeight - 60))
      element.scrollTop = pickedY - 60;
  }, [pickedY]);
  const columns = columnsOf(w);
  const connecting = useConnectionDrag(session, (start, x) => {
    // Let go where the inputs stand: an input that is not there yet.
    if (start.kind === "action" && start.side === "hardware" && x < columns.actions.x) setSheetState(session, { listening: start.name });
  });
  const rows: RowsProps = { data, columns, drawn, connecting };
  const unpick = () => setSheetState(session, { pick: null });
  return (
    <div ref={room} className="relative min-h-0 flex-1 overflow-auto" onClick={(event) => event.target === event.currentTarget && unpick()}>
      <div style={{ width: columns.width }} className="sticky top-0 z-10 h-7 bg-paper">
        <h2 className="heading absolute top-1.5 text-right" style={column(columns.ends)}>
          Keys, mouse, pads
        </h2>
        <h2 className="heading absolute top-1.5" style={column(columns.actions)}>
          Actions
        </h2>
        <h2 className="heading absolute top-1.5" style={column(columns.controls)}>
          Touch controls
        </h2>
      </div>
      <div
        data-sheet
        data-testid="sheet"
        className="relative"
        style={{ width: columns.width, height: positions.height }}
        onKeyDown={connecting.onKeyDown}
        onClickCapture={connecting.onClickCapture}
        onClick={(event) => (event.target === event.currentTarget || event.target instanceof SVGSVGElement) && unpick()}
      >
        <Wires data={data} columns={columns} drawn={drawn} />
        {positions.groups.map((g) => (
          <button
            key={g.key}
            className="absolute flex h-6 items-center gap-1 text-[0.6875rem] text-muted"
            style={{ top: g.y + 3, left: columns.actions.x, width: columns.actions.w }}
            aria-expanded={!g.folded}
            onClick={() => toggleFold(session, g.key)}
          >
            {g.folded ? <ChevronRight size={13} aria-hidden /> : <ChevronDown size={13} aria-hidden />}
            <span className="truncate">used {g.word}</span>
            <span className="figure text-[0.6875rem]">{g.count}</span>
          </button>
        ))}
        <EndRows {...rows} />
        <ActionRows {...rows} />
        <ControlRows {...rows} />
        <ConnectionWord letters={letters} />
      </div>
    </div>
  );
}

interface RowsProps {
  readonly data: SheetData;
  readonly columns: ReturnType<typeof columnsOf>;
  readonly drawn: ReturnType<typeof useDrawnPart>;
  readonly connecting: Connecting;
}
const column = (of: { x: number; w: number }) => ({ left: of.x, width: of.w });

/** Keys, mouse and pads; and where an action has none, the loose end of its wire. */
function EndRows({ data: { layout, positions, chain, clashes, letters }, columns, drawn, connecting }: RowsProps) {
  const pick = useSheetState((p) => p.pick);
  const byEnd = useMemo(() => wiresByEnd(layout.actions), [layout.actions]);
  const bound = useMemo(() => new Set(positions.hardwareWires.map((w) => w.action)), [positions]);
  const clashAt = useMemo(() => new Map(clashes.map((c) => [c.end, c])), [clashes]);
  return (
    <>
      <ul aria-label="Keys, mouse and pads" className="absolute top-0" style={column(columns.ends)}>
        {positions.ends
          .filter(({ y, h }) => isDrawn(drawn, y, h))
          .map((place) => (
            <SheetEnd
              key={place.key}
              place={place}
              wires={byEnd.get(place.end) ?? NONE}
              clash={clashAt.get(place.end) ?? null}
              moments={layout.moments}
              letters={letters}
              dim={chain !== null && !chain.ends.has(place.end)}
              picked={chain !== null && pick !== null && (pick.kind === "end" || pick.kind === "hardware") && chain.ends.has(place.end)}
              connecting={connecting}
            />
          ))}
      </ul>
      <ul aria-label="Actions without an input" className="absolute top-0" style={column(columns.ends)}>
        {[...positions.actions].map(([name, row]) =>
          bound.has(name) || !isDrawn(drawn, row.y, row.h) ? null : <LooseEndHere key={name} name={name} y={row.y + row.h / 2} />,
        )}
      </ul>
    </>
  );
}

function ActionRows({ data: { layout, positions, chain, statuses }, columns, drawn, connecting }: RowsProps) {
  const pick = useSheetState((p) => p.pick);
  const actions = useMemo(() => byName(layout.actions), [layout.actions]);
  return (
    <ul aria-label="Actions" className="absolute top-0" style={column(columns.actions)}>
      {[...positions.actions]
        .filter(([, { y, h }]) => isDrawn(drawn, y, h))
        .map(([name, row]) => (
          <SheetAction
            key={name}
            action={actions.get(name)!}
            status={statuses.get(name)!}
            moments={layout.moments}
            row={row}
            dim={chain !== null && !chain.actions.has(name)}
            picked={pick?.kind === "action" && pick.name === name}
            connecting={connecting}
          />
        ))}
    </ul>
  );
}

function ControlRows({ data: { layout, positions, chain, loose }, columns, drawn, connecting }: RowsProps) {
  const pick = useSheetState((p) => p.pick);
  const actions = useMemo(() => byName(layout.actions), [layout.actions]);
  const controls = useMemo(() => byId(layout.controls), [layout.controls]);
  const looseBy = useMemo(() => looseByControl(loose), [loose]);
  return (
    <ul aria-label="Touch controls" className="absolute top-0" style={column(columns.controls)}>
      {[...positions.controls]
        .filter(([, { y, h }]) => isDrawn(drawn, y, h))
        .map(([id, row]) => {
          const control = controls.get(id)!;
          return (
            <SheetControl
              key={id}
              control={control}
              kinds={control.serves.map((s) => actions.get(s.action)?.kind ?? null)}
              loose={looseBy.get(id) ?? NONE}
              row={row}
              dim={chain !== null && !chain.controls.has(id)}
              picked={pick?.kind === "control" && pick.id === id}
              connecting={connecting}
            />
          );
        })}
      {layout.controls.length === 0 && <li className="text-muted">No controls yet. Create one from an action, or drag actions onto the glass in Layout.</li>}
    </ul>
  );
}

/** The loose end of an action's wire at the side of keys, mouse and pads: there it is bound. */
function LooseEndHere({ name, y }: { name: string; y: number }) {
  const session = useSessionActions();
  return (
    <li className="absolute flex w-full justify-end" style={{ top: y - 12, height: 24 }}>
      <button
        className="h-6 rounded-sm border border-dashed border-edge bg-paper px-1.5 text-[0.6875rem] text-muted hover:border-accent hover:text-accent"
        aria-label={`Bind an input to ${name}, at the end of its wire`}
        onClick={() => setSheetState(session, { pick: { kind: "action", name }, listening: name })}
      >
        Bind
      </button>
    </li>
  );
}

function looseByControl(loose: SheetData["loose"]): ReadonlyMap<string, SheetData["loose"]> {
  const found = new Map<string, SheetData["loose"]>();
  for (const end of loose) found.set(end.control, [...(found.get(end.control) ?? []), end]);
  return found;
}

/** What the wire being drawn would do, next to its end: with what it joins, or why it does not. */
function ConnectionWord({ letters }: { letters: SheetData["letters"] }) {
  const connectionDrag = useSheetState((p) => p.connectionDrag);
  const named = (end: Parameters<typeof wordOf>[0]) => (end.kind === "end" ? endTitle(end.end, letters) : wordOf(end));
  const text = !connectionDrag
    ? ""
    : connectionDrag.over === null
      ? `from ${named(connectionDrag.start)}`
      : connectionDrag.why === null
        ? `${named(connectionDrag.start)} → ${named(connectionDrag.over)}${connectionDrag.by === "key" ? ": Enter connects, Escape cancels" : ""}`
        : `${named(connectionDrag.over)}: ${connectionDrag.why}`;
  return (
    <>
      <span role="status" className="sr-only">
        {text}
      </span>
      {connectionDrag && (
        <span
          aria-hidden
          key={connectionDrag.over ? targetKey(connectionDrag.over) : ""}
          className={`pointer-events-none absolute z-20 max-w-[16.25rem] rounded-sm border bg-sheet px-1.5 py-0.5 text-[0.6875rem] shadow ${connectionDrag.why === null ? "border-accent" : "border-blocker text-blocker"}`}
          style={{ left: Math.max(4, connectionDrag.at.x - 110), top: connectionDrag.at.y + 12 }}
        >
          {text}
        </span>
      )}
    </>
  );
}
