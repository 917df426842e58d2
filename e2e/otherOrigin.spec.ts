/** What a page from elsewhere can do with the HTTP API of an application that runs on the same machine: nothing. */
import { readFileSync } from "node:fs";
import { expect } from "@playwright/test";
import { test } from "./test";

const ELSEWHERE = "http://elsewhere.test/";
const LAYOUT = readFileSync("samples/brackwater.nodulum.json", "utf8");
const ROUTES = ["/api/check", "/api/report", "/api/compile", "/api/settle", "/api/handoff", "/api/schema"];

test("a page of another origin reads nothing of the API and has nothing done by it, by whatever method it asks", async ({ page, context, baseURL }) => {
  await context.route(`${ELSEWHERE}**`, (route) => route.fulfill({ contentType: "text/html", body: "<!doctype html><title>elsewhere</title>" }));
  await page.goto(ELSEWHERE);
  const answers: [method: string, type: string, status: number][] = [];
  page.on("response", (answer) => {
    const { pathname } = new URL(answer.url());
    if (ROUTES.includes(pathname)) answers.push([answer.request().method(), answer.request().headers()["content-type"] ?? "", answer.status()]);
  });
  const read = await page.evaluate(
    async ({ base, routes, body }) => {
      const ways: RequestInit[] = [
        { method: "GET" },
        { method: "HEAD" },
        { method: "OPTIONS" },
        { method: "PUT", body },
        { method: "DELETE" },
        { method: "POST", body, headers: { "Content-Type": "application/json" } },
        { method: "POST", body, headers: { "Content-Type": "text/plain" } },
        { method: "POST", body: new URLSearchParams({ layout: body }) },
        { method: "POST", body: new Blob([body], { type: "multipart/form-data; boundary=application/json" }) },
        { method: "POST", body, mode: "no-cors", headers: { "Content-Type": "text/plain;application/json" } },
        { method: "POST", body, mode: "no-cors", headers: { "Content-Type": "application/json" } },
        { method: "GET", mode: "no-cors" },
      ];
      const all: string[] = [];
      for (const path of routes)
        for (const way of ways) {
          const text = await fetch(base + path, { ...way, credentials: "include" }).then(
            (answer) => answer.text(),
            () => "",
          );
          all.push(text);
        }
      navigator.sendBeacon(`${base}/api/check`, new Blob([body], { type: "application/json" }));
      return all;
    },
    { base: baseURL!, routes: ROUTES, body: LAYOUT },
  );
  expect(read.filter((text) => text !== "")).toEqual([]);
  // A form goes where it likes, with the types that forms have.
  for (const type of ["text/plain", "application/x-www-form-urlencoded", "multipart/form-data"]) {
    await page.goto(ELSEWHERE);
    const answer = page.waitForResponse(`${baseURL}/api/check`);
    await page.evaluate(
      ({ action, enctype, value }) => {
        const form = Object.assign(document.createElement("form"), { method: "post", action, enctype });
        form.append(Object.assign(document.createElement("textarea"), { name: value, value: "" }));
        document.body.append(form);
        form.submit();
      },
      { action: `${baseURL}/api/check`, enctype: type, value: LAYOUT },
    );
    expect((await answer).status()).toBe(415);
    await page.waitForURL(`${baseURL}/api/check`);
  }
  // As a script nothing runs.
  await page.goto(ELSEWHERE);
  const loaded = await page.evaluate(
    (src) =>
      new Promise<string>((resolve) => {
        const script = document.createElement("script");
        script.onload = () => resolve("loaded");
        script.onerror = () => resolve("refused");
        script.src = src;
        document.head.append(script);
      }),
    `${baseURL}/api/schema`,
  );
  expect(loaded).toBe("refused");
  // What reached the server as a request to work was refused; the schema, which is the same for all, may be sent but not read.
  expect(answers.filter(([method]) => method === "POST").length).toBeGreaterThan(0);
  expect(answers.filter(([method, , status]) => method === "POST" && status !== 415 && status !== 405)).toEqual([]);
});
