/** Canvases for tests: what is drawn is written down. */

/** What was painted, in order: the call, how strongly, with which colours and line. */
export interface Stroke {
  readonly call: string;
  readonly args: readonly unknown[];
  readonly alpha: number;
  readonly fill: string;
  readonly line: string;
  readonly width: number;
}

/** A canvas' pen that writes down what it is asked to paint (or those calls), and keeps its settings as the standard says (save, restore). */
export function recorder(calls: readonly string[] = ["fill", "stroke", "fillText", "drawImage"]): { ctx: CanvasRenderingContext2D; painted: Stroke[] } {
  const painted: Stroke[] = [];
  type Settings = { globalAlpha: number; fillStyle: string; strokeStyle: string; lineWidth: number };
  let settings: Settings = { globalAlpha: 1, fillStyle: "#000000", strokeStyle: "#000000", lineWidth: 1 };
  const kept: Settings[] = [];
  const pen = new Proxy({} as Record<string, unknown>, {
    get: (_, key: string) => {
      if (key in settings) return settings[key as keyof Settings];
      if (key === "save") return () => kept.push({ ...settings });
      if (key === "restore") return () => (settings = kept.pop()!);
      if (key === "measureText") return (text: string) => ({ width: text.length * 55 });
      return (...args: unknown[]) => {
        if (calls.includes(key))
          painted.push({ call: key, args, alpha: settings.globalAlpha, fill: settings.fillStyle, line: settings.strokeStyle, width: settings.lineWidth });
      };
    },
    set: (_, key: string, value) => {
      settings = { ...settings, [key]: value as unknown };
      return true;
    },
  });
  return { ctx: pen as unknown as CanvasRenderingContext2D, painted };
}
