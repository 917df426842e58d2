import { createLatency } from "./latency";

test("the median and the worst of the last 240 frames; nothing before the first", () => {
  const latency = createLatency();
  expect(latency.words()).toBeNull();
  latency.add(90);
  for (let i = 0; i < 239; i += 1) latency.add(4);
  expect(latency.words()).toBe("touch to picture 4 ms, worst 90 ms");
  latency.add(6);
  expect(latency.words()).toBe("touch to picture 4 ms, worst 6 ms");
});
