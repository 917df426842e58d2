"use client";
export function ActionsView() {
  return <p>…</p>;
}
