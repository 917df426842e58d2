/** All findings of a layout on a screen: the families judged once and in each moment, brought together and put in order. */
import type { Layout, Screen } from "../layout/types";
import { prepareLayout, type PreparedLayout } from "../placement/prepare";
import { PLAIN_VIEW, resolve, type View } from "../placement/resolve";
import { bindings } from "./bindings";
import { checkContext, inMoment, type Check } from "./context";
import { feels } from "./feels";
import { FINDING_CODES, SEVERITIES, type Finding, type Found } from "./finding";
import { places } from "./places";
import { reaches } from "./reaches";
import { sights } from "./sights";
import { touches } from "./touches";

/** The families. Nothing else knows their number. */
const CHECKS: readonly Check[] = [bindings, places, touches, feels, reaches, sights];

/** Findings of a prepared layout on a screen, in order. `view.moment` set: judged within that moment alone. `sorted` false: in no order, for those who only compare. */
export function checkScreen(prepared: PreparedLayout, screen: Screen, view: View = PLAIN_VIEW, sorted = true): Finding[] {
  const { layout } = prepared;
  const context = checkContext(layout, resolve(prepared, screen, { ...view, moment: null }));
  const found: Finding[] = [];
  for (const check of CHECKS) for (const f of check.once?.(context) ?? []) found.push({ ...f, moment: null, accepted: acceptedReason(layout, f) });
  const moments = view.moment !== null ? [view.moment] : layout.moments.map((m) => m.id);
  const judged = (moments.length > 0 ? moments : [null]).map((moment) => {
    const within = inMoment(context, moment);
    return { moment, found: CHECKS.flatMap((check) => [...(check.inMoment?.(within) ?? [])]) };
  });
  for (const f of mergeMoments(judged)) found.push({ ...f, accepted: acceptedReason(layout, f) });
  return sorted ? sortFindings(layout, found) : found;
}

/** Findings of a layout on a screen. For many screens prepare the layout once and use `checkScreen`. */
export function checkLayout(layout: Layout, screen: Screen, view: View = PLAIN_VIEW): Finding[] {
  return checkScreen(prepareLayout(layout), screen, view);
}

/** One finding with moment null where it holds in every moment with the same severity and measure, else one for each moment. */
function mergeMoments(judged: readonly { moment: string | null; found: readonly Found[] }[]): Omit<Finding, "accepted">[] {
  const groups = new Map<string, { moment: string | null; f: Found }[]>();
  for (const { moment, found } of judged)
    for (const f of found) {
      const key = JSON.stringify([f.code, f.subjects]);
      groups.set(key, [...(groups.get(key) ?? []), { moment, f }]);
    }
  return [...groups.values()].flatMap((group) => {
    const first = group[0].f;
    const same = group.length === judged.length && group.every(({ f }) => f.severity === first.severity && sameMeasure(f, first));
    return same && judged.length > 0 ? [{ ...first, moment: group.length > 1 ? null : judged[0].moment }] : group.map(({ moment, f }) => ({ ...f, moment }));
  });
}

/** Equal measures: areas of several shapes are summed numerically, so shares agree to a thousandth at best. */
function sameMeasure(a: Found, b: Found): boolean {
  const x = a.measure?.value ?? 0;
  const y = b.measure?.value ?? 0;
  return Math.abs(x - y) <= 1e-3 * Math.max(Math.abs(x), Math.abs(y)) + 1e-9;
}

function acceptedReason(layout: Layout, f: Found): string | null {
  const entry = layout.accepted.find((a) => a.code === f.code && a.subjects.length === f.subjects.length && a.subjects.every((s) => f.subjects.includes(s)));
  return entry ? entry.reason : null;
}

function sortFindings(layout: Layout, found: readonly Finding[]): Finding[] {
  const place = new Map<string, number>();
  [...layout.actions.map((a) => a.name), ...layout.controls.map((c) => c.id), ...layout.keepClear.map((z) => z.id)].forEach((id, i) => {
    if (!place.has(id)) place.set(id, i);
  });
  const at = (f: Finding) => place.get(f.subjects[0]) ?? -1;
  const second = (f: Finding) => place.get(f.subjects[1]) ?? -1;
  const moment = (f: Finding) => layout.moments.findIndex((m) => m.id === f.moment);
  return [...found].sort(
    (a, b) =>
      SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) ||
      FINDING_CODES.indexOf(a.code) - FINDING_CODES.indexOf(b.code) ||
      at(a) - at(b) ||
      second(a) - second(b) ||
      moment(a) - moment(b),
  );
}
