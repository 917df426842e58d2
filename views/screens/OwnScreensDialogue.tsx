"use client";
/** One's own screens, from the Screens view: made, changed, copied, deleted; lists in and out. */
import { useRef, useState } from "react";
import { screensCsv, screensJson } from "../../core/exchange/screens";
import { Dialogue } from "../../ui/Dialogue";
import { FileInput } from "../../ui/FileInput";
import { useSession, useSessionActions } from "../document/SessionContext";
import { shelfOf } from "../document/railScreens";
import { saveText } from "../document/files/download";
import { OwnScreens } from "../fields/ownScreens/OwnScreens";
import { ScreenForm, type ScreenFormRequest } from "../fields/ownScreens/ScreenForm";
import { takeInScreens } from "../fields/ownScreens/takeInScreens";

export function OwnScreensDialogue({ onClose }: { onClose: () => void }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const [form, setForm] = useState<ScreenFormRequest | null>(null);
  const [problem, setProblem] = useState("");
  const file = useRef<HTMLInputElement>(null);
  return (
    <Dialogue title="Your screens" open wide onOpenChange={(open) => !open && onClose()}>
      {form ? (
        <ScreenForm wish={form} onDone={() => setForm(null)} />
      ) : (
        <div className="grid gap-4">
          <OwnScreens onForm={setForm} />
          {problem && (
            <p role="alert" className="whitespace-pre-line text-blocker">
              {problem}
            </p>
          )}
          <div className="flex flex-wrap gap-1.5">
            <button className="push" onClick={() => file.current?.click()}>
              Import a list…
            </button>
            <FileInput
              ref={file}
              accept=".csv,.json,text/csv,application/json"
              label="List of screens to import"
              onFile={(chosen) => void takeInScreens(session, chosen).then(setProblem)}
            />
            <button className="push ml-auto" onClick={() => saveText("screens.csv", screensCsv(shelfOf(layout)), "text/csv")}>
              All as CSV
            </button>
            <button className="push" onClick={() => saveText("screens.json", screensJson(shelfOf(layout)))}>
              All as JSON
            </button>
          </div>
        </div>
      )}
    </Dialogue>
  );
}
