"use client";
/** The starters as small glasses, each with its kind of play; a click begins a layout with one. */
import { useEffect, useState } from "react";
import { readingProps } from "../../ui/reading";
import type { Layout } from "../../core/format/types";
import type { Starter } from "../../samples/starters";
import { says } from "./reading/sentences";
import { railOf } from "../document/railScreens";
import { LayoutSketch } from "../canvas/LayoutSketch";

/** Fetched when the choice is first seen: most visits begin with none. */
const fetchStarters = () => import("../../samples/starters").then((m) => m.STARTERS);

interface Drawn {
  readonly starter: Starter;
  readonly layout: Layout;
}

export function StarterChoice({ onPick }: { onPick: (layout: Layout) => void }) {
  const [drawn, setDrawn] = useState<readonly Drawn[] | null>(null);
  const [problem, setProblem] = useState("");
  useEffect(() => {
    let current = true;
    fetchStarters().then(
      (starters) => current && setDrawn(starters.map((starter) => ({ starter, layout: starter.layout() }))),
      () => current && setProblem("The starters could not be loaded: the server does not answer."),
    );
    return () => {
      current = false;
    };
  }, []);
  if (problem) return <p role="alert">{problem}</p>;
  return (
    <ul aria-label="Starters" className="grid min-h-[17rem] grid-cols-[repeat(5,minmax(0,1fr))] gap-2">
      {drawn?.map(({ starter, layout }) => (
        <li key={starter.name}>
          <button
            type="button"
            className="grid h-full w-full grid-cols-[minmax(0,1fr)] content-start justify-items-center gap-1 rounded-sm border border-rule p-2 text-center hover:border-accent"
            onClick={() => onPick(layout)}
            {...readingProps(says("starter.pick", { plain: starter.plain }), starter.name)}
          >
            <span className="flex h-[5rem] w-full items-center justify-center [&>svg]:max-h-[5rem] [&>svg]:max-w-full">
              <LayoutSketch layout={layout} screen={railOf(layout)[0]} />
            </span>
            <span className="font-medium">{starter.name}</span>
            <span className="caption leading-tight">{starter.plain}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
