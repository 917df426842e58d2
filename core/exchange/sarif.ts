/** Findings as SARIF 2.1.0 (OASIS), as code hosts read it: a result a finding and screen, a rule a code. */
import { FINDING_CODES, type Severity } from "../checks/finding";
import { FINDING_DOCS } from "../checks/findingDocs";
import type { Known, CheckedScreen } from "./checkText";

const LEVEL: Readonly<Record<Severity, "error" | "warning" | "note">> = { blocker: "error", warning: "warning", note: "note" };

/** The log of one check, as a plain value. `uri`: the layout file as it was named. `known`: results of the baseline are marked unchanged. */
export function sarifLog(uri: string, screens: readonly CheckedScreen[], known: Known = () => false): unknown {
  const results = screens.flatMap(({ name, findings }) =>
    findings.map((f) => ({
      ruleId: f.code,
      ruleIndex: (FINDING_CODES as readonly string[]).indexOf(f.code),
      level: LEVEL[f.severity],
      message: { text: f.text },
      locations: [
        {
          physicalLocation: { artifactLocation: { uri } },
          logicalLocations: [{ name, kind: "resource" }, ...f.subjects.map((subject) => ({ name: subject, kind: "member" }))],
        },
      ],
      partialFingerprints: { "finding/v1": [f.code, name, f.moment ?? "", ...f.subjects].join("|") },
      baselineState: known(name, f) ? "unchanged" : "new",
      ...(f.accepted === null ? {} : { suppressions: [{ kind: "external", justification: f.accepted }] }),
      properties: { screen: name, moment: f.moment, measure: f.measure },
    })),
  );
  const notifications = screens.flatMap(({ name, notJudged = {} }) =>
    Object.entries(notJudged).map(([code, why]) => ({
      level: "note",
      associatedRule: { id: code, index: (FINDING_CODES as readonly string[]).indexOf(code) },
      message: { text: `${code} not judged on ${name}: ${why}` },
    })),
  );
  return {
    $schema: "https://json.schemastore.org/sarif-2.1.0.json",
    version: "2.1.0",
    runs: [
      {
        tool: {
          driver: {
            name: "nodulum",
            rules: FINDING_CODES.map((code) => ({ id: code, shortDescription: { text: FINDING_DOCS[code].means }, help: { text: FINDING_DOCS[code].fix } })),
          },
        },
        results,
        invocations: [{ executionSuccessful: true, ...(notifications.length > 0 && { toolExecutionNotifications: notifications }) }],
      },
    ],
  };
}
