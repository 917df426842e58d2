/** The request that follows from a suggestion. */
import { byName } from "../../derived/byId";
import { ok, type Result } from "../../engine/result";
import { accept } from "../../editing/edits/accept";
import type { Layout, Screen } from "../../format/types";
import type { Suggestion } from "./suggest";
import { withOwnPlaces } from "./ownArrangement";
import { shownApart } from "./shownApart";
import type { SettleRequest } from "../request";

/** The same request for the layout that a suggestion makes. `shelf`: all screens. Refused if the layout does not allow it. */
export function requestForSuggestion(request: SettleRequest, way: Suggestion, shelf: readonly Screen[]): Result<SettleRequest> {
  const { layout } = request;
  switch (way.kind) {
    case "smaller-targets":
      return ok({ ...request, layout: { ...layout, limits: { ...layout.limits, minTargetMm: way.minTargetMm } } });
    case "notes":
      return ok({ ...request, notesMayGrow: true });
    case "arrangement": {
      const known = byName(request.screens);
      const screens = way.screens.flatMap((name) => known.get(name) ?? []);
      const name = `For ${screens.length === 1 ? screens[0].name : `${screens.length} screens`}`.slice(0, 80);
      const made = withOwnPlaces(layout, { screens, shelf, name });
      return made.ok ? ok({ ...request, layout: made.value.layout }) : made;
    }
    case "accept": {
      let next: Result<Layout> = ok(layout);
      for (const finding of way.findings) if (next.ok) next = accept(next.value, finding, way.reason);
      return next.ok ? ok({ ...request, layout: next.value }) : next;
    }
    case "one-less": {
      const made = shownApart(layout, ...way.ids);
      return made.ok ? ok({ ...request, layout: made.value }) : made;
    }
  }
}
