"use client";
export function RehearseView() {
  return <p>…</p>;
}
