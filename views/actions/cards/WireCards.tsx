"use client";
/** What a wire gives: of a control's port, or of a key, mouse or pad input. */
import { changeServe } from "../../../core/editing/edits/actions";
import { byId, byName } from "../../../core/derived/byId";
import type { Action, Control, Serve } from "../../../core/format/types";
import { changeHardware, hardwareGives, hardwareWires, type HardwareWire } from "../../../core/wiring/hardwareWires";
import { hardwareSourceGives, leadServe, portsOf, portWhyNot, serveBy, serveGives } from "../../../core/wiring/serves";
import { ChoiceField } from "../../../ui/Choice";
import { NumberField } from "../../../ui/Field";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { says } from "../../shell/reading/sentences";
import { ServeScaleFields, ServeFields, ValueFields } from "../../fields/ServeFields";
import { endTitle, endWord } from "../../fields/keyWords";
import { setSheetState } from "../sheetState";
import type { SheetData } from "../useSheet";
import { removeWire, unplugWithNotice } from "../removeWire";
import { fleeting, fleetingServe } from "../../../core/wiring/fleeting";
import { SharedWayHint } from "../../fields/SharedWayHint";
import { FleetingHint } from "./FleetingHint";

export function ServeCard({ control, index, data }: { control: Control; index: number; data: SheetData }) {
  const session = useSessionActions();
  const serve = (control.serves as readonly Serve[])[index];
  const action = byName(data.layout.actions).get(serve.action);
  const { id } = control;
  const change = (label: string, next: Partial<Serve>) => session.edit(`${label} of ${control.name}`, (l) => changeServe(l, id, index, next), true);
  const ports = portsOf(control.kind).filter((p) => p === serve.port || !action || portWhyNot(p, action.kind) === null);
  const others = data.layout.actions.filter((a) => portWhyNot(serve.port, a.kind) === null || a.name === serve.action);
  return (
    <section aria-label={`The wire from ${control.name} to ${serve.action}`} className="grid gap-2">
      <WireHead
        from={`${control.name}, ${serve.port}`}
        to={serve.action}
        gives={action ? serveGives(serve, action.kind) : "no action"}
        onRemove={() => removeWire(session, id, index)}
      />
      <ChoiceField
        label="Port"
        reads={says("serves.port", { action: serve.action })}
        value={serve.port}
        options={ports.map((p) => [p, p])}
        onChange={(port) => change("port", action ? { value: undefined, scale: undefined, ...serveBy(port, action) } : { port })}
      />
      <ChoiceField
        label="Action"
        reads={says("wire.leadsTo")}
        value={others.some((a) => a.name === serve.action) ? serve.action : null}
        options={others.map((a) => [a.name, a.name])}
        onChange={(name) => session.edit(`wire ${control.name} to ${name}`, (l) => leadServe(l, id, index, name))}
      />
      {action && <ServeFields serve={serve} action={action} onChange={change} />}
      {action && <FleetingHint action={action} control={control} told={fleetingServe(action, control, serve)} />}
      <SharedWayHint control={control} index={index} actions={data.layout.actions} />
    </section>
  );
}

export function HardwareCard({ wire, action, data }: { wire: HardwareWire; action: Action; data: SheetData }) {
  const session = useSessionActions();
  const { list, index, source } = wire;
  const { name, kind } = action;
  const change = (label: string, next: object) => session.edit(`${label} of ${endWord(wire.end)}`, (l) => changeHardware(l, wire, next), true);
  return (
    <section aria-label={`The wire from ${endTitle(wire.end)} to ${name}`} className="grid gap-2">
      <WireHead
        from={endTitle(wire.end, data.letters)}
        to={name}
        gives={hardwareSourceGives(wire, kind)}
        onRemove={() => unplugWithNotice(session, name, list, index)}
      />
      {("code" in source || "button" in source) && (kind === "vector" || kind === "axis") && (
        <ValueFields action={name} kind={kind} value={source.value} onChange={(value) => change("value", { value })} />
      )}
      {"scale" in source && (
        <ServeScaleFields
          action={name}
          pair={"stick" in source || ("move" in source && source.move === true)}
          value={source.scale}
          unit={("stick" in source && kind === "motion") || ("axis" in source && kind === "delta") ? "/s" : undefined}
          onChange={(scale) => change("scale", { scale })}
        />
      )}
      <button className="push h-6 justify-center" onClick={() => setSheetState(session, { listening: name, form: "sheet" })}>
        Add an input to {name}…
      </button>
      {hardwareGives(source) === "press" && <FleetingHint action={action} control={null} told={fleeting(action)} />}
      {"inner" in source && (
        <>
          <NumberField
            reads={says("wire.deadTo")}
            label="Inner dead zone"
            unit="%"
            min={0}
            max={source.outer * 100 - 1}
            value={source.inner * 100}
            onChange={(percent) => change("dead zone", { inner: percent / 100 })}
          />
          <NumberField
            reads={says("wire.fullFrom")}
            label="Outer dead zone"
            unit="%"
            min={source.inner * 100 + 1}
            max={100}
            value={source.outer * 100}
            onChange={(percent) => change("dead zone", { outer: percent / 100 })}
          />
        </>
      )}
    </section>
  );
}

/** A key, mouse or pad input that gives to several actions. */
export function EndCard({ end, data }: { end: string; data: SheetData }) {
  const session = useSessionActions();
  const wires = data.layout.actions.flatMap((a) => hardwareWires(a).flatMap((w) => (w.end === end ? [{ w, kind: a.kind }] : [])));
  const clash = data.clashes.find((c) => c.end === end);
  const moment = useSession((s) => byId(s.layout.moments).get(clash?.moment ?? "")?.name);
  return (
    <section aria-label={endTitle(end)} className="grid gap-2">
      <h2 className="text-[0.875rem] font-semibold">{endTitle(end, data.letters)}</h2>
      {clash && (
        <p className="text-[0.75rem] text-warning">
          ◆ {clash.actions.join(" and ")} are triggered together{moment ? ` in ${moment}` : ""}. Bind one of them elsewhere, or use different moments.
        </p>
      )}
      <ul className="grid gap-1">
        {wires.map(({ w, kind }) => (
          <li key={w.action}>
            <button
              className="push h-6 w-full justify-between"
              onClick={() => setSheetState(session, { pick: { kind: "hardware", action: w.action, list: w.list, index: w.index } })}
            >
              <span className="figure">{w.action}</span> <span className="caption">{hardwareSourceGives(w, kind)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function WireHead({ from, to, gives, onRemove }: { from: string; to: string; gives: string; onRemove: () => void }) {
  return (
    <header className="grid gap-0.5">
      <h2 className="flex items-baseline gap-2">
        <span className="text-[0.875rem] font-semibold">A wire</span>
        <button className="push ml-auto h-6 px-1.5 text-[0.6875rem]" onClick={onRemove}>
          Remove
        </button>
      </h2>
      <p className="text-[0.75rem]">
        {from} → <span className="figure">{to}</span>
      </p>
      <p className="caption">
        gives <span className="figure text-[0.6875rem]">{gives}</span>
      </p>
    </header>
  );
}
