"use client";
/** The glass while a take plays: nobody else touches it. */
import type { TakeStageTools } from "./useTakeStage";
import { TouchMarks } from "./TouchMarks";

export function TakeGlass({ tools, showsMarks }: { tools: TakeStageTools; showsMarks: boolean }) {
  const { player, scale, canvas, problem, open } = tools;
  if (!player || !open)
    return (
      <p role="alert" className="max-w-md p-6 text-blocker">
        This take cannot be played here: {problem}.
      </p>
    );
  const { screen } = player.take;
  return (
    <div className="border border-ink bg-sheet p-[6px]" style={{ borderRadius: Math.max(4, screen.cornerPx * scale + 7) }}>
      <div
        role="img"
        aria-label={`The take “${open.take.name}” on ${screen.name}`}
        data-testid="take-glass"
        className="relative overflow-hidden bg-[#0c141b]"
        style={{ borderRadius: screen.cornerPx * scale, width: screen.widthPx * scale, height: screen.heightPx * scale }}
      >
        <canvas ref={canvas} className="block h-full w-full" />
        {showsMarks && <TouchMarks screen={screen} scale={scale} marks={player.marks} />}
      </div>
    </div>
  );
}
