/** @jest-environment jsdom */
import { watchDrafts, type Drafts } from "./drafts";

let drafts: Drafts;
const later = () => new Promise((resolve) => setTimeout(resolve, 2));
const field = (html: string): HTMLInputElement => {
  document.body.innerHTML = html;
  return document.body.querySelector("input, textarea")!;
};
const type = (into: HTMLInputElement, text: string) => {
  into.value = text;
  into.dispatchEvent(new Event("input", { bubbles: true }));
};
beforeEach(() => {
  drafts = watchDrafts(document);
});
afterEach(() => drafts.stop());

test("what is typed into a field is a draft until the field is left", async () => {
  const name = field("<input>");
  type(name, "horn");
  expect(drafts.store.getState()).toBe(true);
  name.dispatchEvent(new FocusEvent("focusout", { bubbles: true }));
  await later();
  expect(drafts.store.getState()).toBe(false);
});

test("what stands in a form is a draft until the form is sent, or it is empty again, or gone", async () => {
  const name = field("<form><input></form>");
  type(name, "horn");
  name.dispatchEvent(new FocusEvent("focusout", { bubbles: true }));
  await later();
  expect(drafts.look()).toBe(true);
  name.form!.dispatchEvent(new Event("submit", { bubbles: true }));
  await later();
  expect(drafts.store.getState()).toBe(false);
  type(name, "horn");
  type(name, "");
  expect(drafts.store.getState()).toBe(false);
  type(name, "horn");
  document.body.innerHTML = "";
  expect(drafts.look()).toBe(false);
});

test.each(['<input type="search">', '<input type="checkbox">', '<input type="range">'])("%s holds no draft", (html) => {
  type(field(html), "1");
  expect(drafts.look()).toBe(false);
});
