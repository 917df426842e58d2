"use client";
/** The report from the Screens view: what it holds and on which paper; printed, or saved as one HTML file. */
import { useEffect, useRef, useState } from "react";
import { aspectsOf } from "../../core/checks/spanRows";
import { layoutText } from "../../core/derived/text";
import { digestOfText } from "../../core/format/digest";
import type { Layout, Screen } from "../../core/format/types";
import { SPAN_SIZE } from "../../core/report/gatherReport";
import { PART_WORDS, REPORT_PARTS, SHRINKS, type ReportPart } from "../../core/report/reportSource";
import { PAPERS, type Paper } from "../../core/report/style";
import { Dialogue } from "../../ui/Dialogue";
import { readingProps } from "../../ui/reading";
import { Select } from "../../ui/Select";
import { connectFaces } from "../../workers/connect";
import { createFacesChecker, type ReportWanted } from "../../workers/faces";
import { says } from "../shell/reading/sentences";
import { fileNameFor } from "../../core/exchange/fileName";
import { stillsOf } from "../canvas/backdropPicture";
import { saveText } from "../document/files/download";
import { today } from "../document/files/today";
import type { Faces } from "./useFaces";

interface Props {
  readonly all: Pick<Faces, "layout" | "screens" | "faces">;
  /** Those that pass the filter, by their places. */
  readonly shown: readonly number[];
  readonly onClose: () => void;
}

const PAPER_WORDS: Readonly<Record<Paper, string>> = { a4: "A4", letter: "letter" };
const SCALE_WORDS = { 1: "life size", 2: "half life size", 3: "a third of life size" } as const;

export function ReportDialogue({ all: { layout, screens, faces }, shown, onClose }: Props) {
  const [parts, setParts] = useState<readonly ReportPart[]>(REPORT_PARTS);
  const [paper, setPaper] = useState<Paper>("a4");
  const [shrinks, setShrinks] = useState<(typeof SHRINKS)[number]>(2);
  const [onlyShown, setOnlyShown] = useState(shown.length < screens.length);
  const frame = useRef<HTMLIFrameElement>(null);
  const chosen = onlyShown ? shown.map((place) => screens[place]) : screens;
  const { work, state, stop } = useReport({ layout, faces });
  const wanted = (): ReportWanted => ({ ...describe(layout), parts, paper, shrinks, range: { ...SPAN_SIZE, ...aspectsOf(layout) } });
  const print = () =>
    void work(chosen, wanted(), (html) => {
      const element = frame.current;
      if (!element) return;
      element.onload = () => element.contentWindow?.print();
      element.srcdoc = html;
    });
  const save = () => void work(chosen, wanted(), (html) => saveText(fileNameFor(layout.name, "-report.html"), html, "text/html"));
  const nothing = parts.length === 0 || chosen.length === 0;
  const isWorking = state.kind === "working";
  return (
    <Dialogue title="The report" open onOpenChange={(open) => !open && onClose()}>
      <div className="grid gap-3">
        <p className="caption">One document about “{layout.name}” to print or to send: it needs no network, and says when and of which file it was made.</p>
        <Parts parts={parts} onParts={setParts} />
        <Row label="Screens">
          <Select
            label="Screens of the report"
            reads={says("report.screens")}
            value={onlyShown ? "shown" : "all"}
            options={[
              ["all", `all ${screens.length}`],
              ["shown", `filtered, ${shown.length}`],
            ]}
            onChange={(key) => setOnlyShown(key === "shown")}
          />
        </Row>
        <PaperRows paper={paper} shrinks={shrinks} onPaper={setPaper} onShrinks={setShrinks} />
        {nothing && <p role="alert">{parts.length === 0 ? "Select at least one part." : "No screen passes the filter. Choose all screens."}</p>}
        {state.kind === "failed" && (
          <p role="alert" className="text-blocker">
            {state.problem}
          </p>
        )}
        <div className="flex items-center gap-1.5">
          <button type="button" data-first className="push push-main" disabled={nothing || isWorking} onClick={print} {...readingProps(says("report.print"))}>
            Print…
          </button>
          <button type="button" className="push" disabled={nothing || isWorking} onClick={save} {...readingProps(says("report.save"))}>
            Download HTML
          </button>
          {isWorking && (
            <button type="button" className="push" onClick={stop}>
              Stop
            </button>
          )}
          <span className="caption ml-auto" role="status" data-testid="report-state">
            {isWorking ? `${Math.round(state.part * 100)} % computed` : state.kind === "done" ? "made" : ""}
          </span>
        </div>
        <iframe
          ref={frame}
          title="Print preview of the report"
          aria-hidden
          tabIndex={-1}
          className="pointer-events-none absolute size-0 border-0"
          data-testid="report-frame"
        />
      </div>
    </Dialogue>
  );
}

function Parts({ parts, onParts }: { parts: readonly ReportPart[]; onParts: (parts: readonly ReportPart[]) => void }) {
  return (
    <fieldset className="grid grid-cols-2 gap-x-3">
      <legend className="caption mb-1">Parts</legend>
      {REPORT_PARTS.map((part) => (
        <label
          key={part}
          className="flex h-6 items-center gap-2"
          {...readingProps(says("report.part", { part: PART_WORDS[part] }), parts.includes(part) ? "in it" : "hidden")}
        >
          <input
            type="checkbox"
            className="accent-[var(--accent)]"
            checked={parts.includes(part)}
            onChange={(event) => onParts(REPORT_PARTS.filter((one) => (one === part ? event.target.checked : parts.includes(one))))}
          />
          {PART_WORDS[part]}
        </label>
      ))}
    </fieldset>
  );
}

interface PaperProps {
  readonly paper: Paper;
  readonly shrinks: (typeof SHRINKS)[number];
  readonly onPaper: (paper: Paper) => void;
  readonly onShrinks: (shrinks: (typeof SHRINKS)[number]) => void;
}

/** On what it is printed, and how large its contact sheet is. */
function PaperRows({ paper, shrinks, onPaper, onShrinks }: PaperProps) {
  return (
    <>
      <Row label="Paper">
        <Select
          label="Paper of the report"
          reads={says("report.paper")}
          value={paper}
          options={PAPERS.map((one) => [one, PAPER_WORDS[one]] as const)}
          onChange={(key) => onPaper(PAPERS.find((one) => one === key)!)}
        />
      </Row>
      <Row label="Contact sheet">
        <Select
          label="Scale of the contact sheet"
          reads={says("report.scale")}
          value={String(shrinks)}
          options={SHRINKS.map((one) => [String(one), SCALE_WORDS[one]] as const)}
          onChange={(key) => onShrinks(SHRINKS.find((one) => String(one) === key)!)}
        />
      </Row>
    </>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <label className="grid grid-cols-[7rem_1fr] items-center">
      <span className="caption">{label}</span>
      {children}
    </label>
  );
}

/** Of which file and when a report is made. */
function describe(layout: Layout): Pick<ReportWanted, "digest" | "date"> {
  return { digest: digestOfText(layoutText(layout)), date: today() };
}

type State = { readonly kind: "idle" | "done" } | { readonly kind: "working"; readonly part: number } | { readonly kind: "failed"; readonly problem: string };

/** Works reports out in a their own worker; what is under way ends with the dialogue. */
function useReport({ layout, faces }: Pick<Faces, "layout" | "faces">) {
  const [checker] = useState(() => createFacesChecker(connectFaces));
  useEffect(() => () => checker.stop(), [checker]);
  const [state, setState] = useState<State>({ kind: "idle" });
  const work = async (screens: readonly Screen[], wanted: ReportWanted, made: (html: string) => void) => {
    setState({ kind: "working", part: 0 });
    try {
      const html = await checker.report({ layout, screens, faces, stills: stillsOf(layout.workbench, screens) }, wanted, (done, all) =>
        setState({ kind: "working", part: done / all }),
      );
      if (html === null) return;
      made(html);
      setState({ kind: "done" });
    } catch (error) {
      setState({ kind: "failed", problem: `The report could not be created: ${error instanceof Error ? error.message : String(error)}.` });
    }
  };
  const stop = () => {
    checker.stop();
    setState({ kind: "idle" });
  };
  return { work, state, stop };
}
