"use client";
/** What another kind would take from a control, told before it is done. */
import { byId } from "../../core/derived/byId";
import { previewControlKind } from "../../core/wiring/controlKind";
import { Dialogue } from "../../ui/Dialogue";
import { useSession, useSessionActions } from "../document/SessionContext";
import { nameOf } from "../document/names";
import { setBench, useBench, type Bench } from "./bench";
import { aKind, makeKind } from "./kindChange";

export function KindChangeDialogue() {
  const wish = useBench((b) => b.kindWish);
  return wish && <KindWish wish={wish} />;
}

function KindWish({ wish }: { wish: NonNullable<Bench["kindWish"]> }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const control = byId(layout.controls).get(wish.id);
  if (!control) return null;
  const { kept, lost } = previewControlKind(layout, wish.id, wish.kind);
  const close = () => setBench(session, { kindWish: null });
  return (
    <Dialogue title={`${nameOf(layout, wish.id)} as ${aKind(wish.kind)}`} open onOpenChange={(open) => !open && close()}>
      <div className="grid gap-3">
        <section aria-label="Actions it would lose">
          <h3 className="heading mb-1">It would stop serving</h3>
          <ul className="grid gap-1">
            {lost.map(({ serve, why }) => (
              <li key={`${serve.port} ${serve.action}`}>
                <span className="text-warning" aria-hidden>
                  ◆
                </span>{" "}
                <span className="figure">{serve.action}</span> <span className="caption">by {serve.port}:</span> {why.replaceAll("`", "")}
              </li>
            ))}
          </ul>
        </section>
        {kept.length > 0 && (
          <section aria-label="Actions it would keep">
            <h3 className="heading mb-1">It would still serve</h3>
            <ul className="grid gap-0.5">
              {kept.map(({ from, to }) => (
                <li key={`${from.port} ${from.action}`}>
                  <span className="figure">{to.action}</span>{" "}
                  <span className="caption">{from.port === to.port ? `by ${to.port}` : `by ${to.port} instead of ${from.port}`}</span>
                </li>
              ))}
            </ul>
          </section>
        )}
        <div className="flex justify-end gap-2">
          <button className="push" onClick={close}>
            Keep {aKind(control.kind)}
          </button>
          <button className="push push-main" onClick={() => makeKind(session, wish.id, wish.kind)}>
            Change to {aKind(wish.kind)}
          </button>
        </div>
      </div>
    </Dialogue>
  );
}
