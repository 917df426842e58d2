"use client";
export function ShelfView() {
  return <p>…</p>;
}
