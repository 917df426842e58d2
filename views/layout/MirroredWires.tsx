"use client";
/** Asks what the copies that mirroring made serve, while they are selected: the actions of the originals, others, or none. */
import { copyWires } from "../../core/wiring/copiedWires";
import { useSession, useSessionActions } from "../document/SessionContext";
import { namesOf } from "../document/names";
import { setBench, useBench } from "./bench";
import { Stop } from "../../ui/Roving";

export function MirroredWires({ keys }: { keys: readonly string[] }) {
  const session = useSessionActions();
  const mirrored = useBench((b) => b.mirrored);
  const layout = useSession((s) => s.layout);
  if (!mirrored || !keys.every((key) => mirrored.keys.includes(key))) return null;
  const { originals } = mirrored;
  const names = namesOf(layout, keys);
  const close = () => setBench(session, { mirrored: null });
  const serveTheSame = () => session.edit(`actions of ${names}`, (l) => copyWires(l, originals)) && close();
  return (
    <span role="group" aria-label={`Actions of ${names}`} className="flex items-center gap-1 text-[0.75rem]">
      <span>{originals.size === 1 ? "Actions of the copy:" : "Actions of the copies:"}</span>
      <Stop>
        <button className="push h-6 px-1.5" onClick={serveTheSame}>
          Same actions
        </button>
      </Stop>
      <Stop>
        <button className="push h-6 px-1.5" onClick={() => setBench(session, { mirrored: null, askedCopies: originals })}>
          Other actions…
        </button>
      </Stop>
      <Stop>
        <button className="push h-6 px-1.5" onClick={close}>
          None
        </button>
      </Stop>
    </span>
  );
}
