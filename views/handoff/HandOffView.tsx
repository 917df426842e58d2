"use client";
export function HandOffView() {
  return <p>…</p>;
}
