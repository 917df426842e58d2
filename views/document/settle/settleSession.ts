/** What can be done with Settle: asked, stopped, asked again with something omitted or by a way out, taken. Fetched when it is first opened. */
import { checked } from "../../../core/editing/edits/checked";
import { problemText, refused, type Result } from "../../../core/engine/result";
import { madeOn } from "../../../core/versions/merge";
import type { Layout, Screen } from "../../../core/format/types";
import { scenariosOf } from "../../../core/settle/problem/scenarios";
import type { Suggestion } from "../../../core/settle/suggest/suggest";
import { allFindings, verify } from "../../../core/settle/verify";
import { takenIntoArrangement, withoutSame } from "../../../core/settle/suggest/ownArrangement";
import type { SettleRequest } from "../../../core/settle/request";
import { requestForSuggestion } from "../../../core/settle/suggest/requestFor";
import { connectSettle } from "../../../workers/connect";
import { createSettler, type Settler } from "../../../workers/settle";
import type { Session } from "../session";
import { defineOwned } from "../uiState";
import { shelfOf } from "../railScreens";
import type { SettleChoice } from "./settleChoice";
import { questionOf } from "./settleQuestion";
import { CLOSED, isSameButBench, proposalFor, settleStore, type Proposal, type SettleRun, type SettleState } from "./settleState";
import { distinctTally, goneWords, movedWords, wayWords } from "./settleWords";

/** Its worker starts with the first question, and stops with the layout. */
const settler = defineOwned<Settler>({ lasts: "layout", create: () => createSettler(connectSettle), end: (one) => one.stop() });

/** Opens Settle for some screens, and asks at once. Where it is open for them already, it asks again. */
export function showSettle(session: Session, these: readonly string[]): void {
  const { getState: get, setState: set } = settleStore(session);
  const { choice, held } = get();
  set({ ...CLOSED, isOpen: true, these, choice, held });
  void ask(session);
}

/** Closes it; what is under way stops. What was chosen is there again the next time. */
export function closeSettle(session: Session): void {
  settler.of(session).stop();
  settleStore(session).setState({ isOpen: false, run: { kind: "idle" }, ways: [], part: 1 });
}

/** Stops what is under way; what was chosen stays. */
export function stopSettle(session: Session): void {
  settler.of(session).stop();
  settleStore(session).setState({ run: { kind: "idle" } });
}

/** Changes what is asked. It is asked again when that is wanted. */
export const choose = (session: Session, change: Partial<SettleChoice>): void => settleStore(session).setState((s) => ({ choice: { ...s.choice, ...change } }));

/** The screens that are asked about. */
export function screensAsked({ choice, these }: Pick<SettleState, "choice" | "these">, layout: Layout): readonly Screen[] {
  const shelf = shelfOf(layout);
  return choice.which === "all" ? shelf : shelf.filter(({ name }) => these.includes(name));
}

/** The question as it is, with the ways out that were chosen; or why it cannot be asked. */
function questionNow(state: SettleState, layout: Layout): Result<SettleRequest> {
  const known = new Set([...layout.controls, ...layout.clusters].map(({ id }) => id));
  const question = questionOf(state.choice, { layout, screens: screensAsked(state, layout), held: state.held.filter((id) => known.has(id)) });
  if (typeof question === "string") return refused("", question);
  let request: Result<SettleRequest> = { ok: true, value: question };
  for (const way of state.ways) if (request.ok) request = requestForSuggestion(request.value, way, shelfOf(layout));
  return request;
}

/** Asks as everything is now; an older question ends. */
export async function ask(session: Session): Promise<void> {
  const { getState: get, setState: set } = settleStore(session);
  session.commit();
  const { layout: of } = session.store.getState();
  const question = questionNow(get(), of);
  if (!question.ok) return set({ run: { kind: "failed", problem: problemText(question.problems, 2) } });
  const request = question.value;
  const working: SettleRun = { kind: "working", progress: null };
  set({ run: working });
  const isMine = () => get().isOpen && mine === get().run;
  let mine: SettleRun = working;
  try {
    const found = await settler.of(session).settle(
      request,
      (progress) => {
        if (isMine()) set({ run: (mine = { kind: "working", progress }) });
      },
      of,
    );
    if (!found || !isMine()) return;
    const is = layoutFrom(of, found.settled.layout);
    set({ run: { kind: "done", proposal: { ...found, of, is, differs: !isSameButBench(of, is), request } }, part: 1 });
  } catch (error) {
    if (isMine()) set({ run: { kind: "failed", problem: `Settle failed: ${error instanceof Error ? error.message : String(error)}.` } });
  }
}

/** Leaves a control as it is, or lets it change again, and asks again. */
export function hold(session: Session, id: string, isHeld: boolean): void {
  const { held } = settleStore(session).getState();
  settleStore(session).setState({ held: isHeld ? [...held.filter((one) => one !== id), id] : held.filter((one) => one !== id) });
  void ask(session);
}

/** Goes a way out, or back from it, and asks again. */
export function goWay(session: Session, way: Suggestion, isGone: boolean): void {
  const { ways } = settleStore(session).getState();
  settleStore(session).setState({ ways: isGone ? [...ways, way] : ways.filter((one) => one !== way) });
  void ask(session);
}

/** What comes of settling a layout: as settled, arrangements it made without what they say just as the base does. */
function layoutFrom(of: Layout, settled: Layout): Layout {
  const known = new Set(of.arrangements.map(({ id }) => id));
  return settled.arrangements.filter(({ id }) => !known.has(id)).reduce((layout, { id }) => withoutSame(layout, id), settled);
}

/** The words of a taken proposal in the history. */
function takenWords({ settled, before, after, request, of }: Proposal, ways: readonly Suggestion[]): string {
  const screens = request.screens.length === 1 ? request.screens[0].name : `${request.screens.length} screens`;
  return `settle ${screens}: ${goneWords(distinctTally(before), distinctTally(after))}; ${movedWords(settled.moves)}${ways.map((way) => `; with ${wayWords(of, way)}`).join("")}`;
}

/** Takes the proposal: one step, undone at once. */
export function takeProposal(session: Session): void {
  const state = settleStore(session).getState();
  const proposal = proposalFor(state, session.store.getState().layout);
  if (!proposal) return;
  const { of, is } = proposal;
  if (session.edit(takenWords(proposal, state.ways), madeOn(of, checked(of, { ...is, workbench: of.workbench, pictures: of.pictures })))) closeSettle(session);
}

/** The screens on which something was found that had to go. */
export function askingScreens({ settled, request }: Proposal): readonly Screen[] {
  const names = new Set(settled.requested.map(({ scenario: face }) => settled.scenarios[face].screen.name));
  return request.screens.filter(({ name }) => names.has(name));
}

/** Takes the proposal for the screens that asked for it alone: in an arrangement of theirs. */
export function takeIntoArrangement(session: Session): void {
  const { layout: open } = session.store.getState();
  const state = settleStore(session).getState();
  const proposal = proposalFor(state, open);
  if (!proposal) return;
  const screens = askingScreens(proposal);
  const name = `Settled for ${screens.length === 1 ? screens[0].name : `${screens.length} screens`}`.slice(0, 80);
  let others = 0;
  const done = session.edit(`${takenWords(proposal, state.ways)}; as “${name}”`, (now) => {
    const taken = takenSafely(proposal, { screens, shelf: shelfOf(now), name });
    if (!taken.ok) return taken;
    others = taken.value.others;
    const { of } = proposal;
    return madeOn(of, checked(of, { ...taken.value.layout, workbench: of.workbench, pictures: of.pictures }))(now);
  });
  if (!done) return;
  closeSettle(session);
  session.tell({
    text: `“${name}” holds on ${screens.length === 1 ? "this screen" : `these ${screens.length} screens`}${others > 0 ? `, and on ${others} more screens` : ""}; other screens are unchanged.`,
    tone: "plain",
  });
}

/** An arrangement cannot have its own travel: where that would make another screen worse, the travel stays as it was. */
function takenSafely(proposal: Proposal, wanted: Parameters<typeof takenIntoArrangement>[2]): ReturnType<typeof takenIntoArrangement> {
  const { of, settled, request } = proposal;
  const travels = new Map(of.controls.map((c) => [c.id, c.kind === "stick" ? c.feel.travel : null]));
  const withoutTravel: Layout = {
    ...settled.layout,
    controls: settled.layout.controls.map((c) => (c.kind === "stick" ? { ...c, feel: { ...c.feel, travel: travels.get(c.id) ?? c.feel.travel } } : c)),
  };
  const faces = scenariosOf(of, request.screens, request.faces);
  const before = allFindings(of, faces, request.moment);
  for (const layout of [settled.layout, withoutTravel]) {
    const taken = takenIntoArrangement(of, layout, wanted);
    if (!taken.ok || verify(request, faces, before, taken.value.layout).worse.length === 0) return taken;
  }
  return refused("", "for these screens only, another screen would get worse; apply it to all of them");
}
