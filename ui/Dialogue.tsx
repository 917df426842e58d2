"use client";
/** A dialogue over the window, on Radix: named, closed by Escape, focus kept inside. The focus begins at what is marked `data-first`. */
import { X } from "lucide-react";
import { Dialog } from "radix-ui";
import { useRef, type ReactNode } from "react";

interface Props {
  readonly title: string;
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly children: ReactNode;
  /** `widest`: for tables next to each other. */
  readonly wide?: boolean | "widest";
}

export function Dialogue({ title, open, onOpenChange, children, wide = false }: Props) {
  const content = useRef<HTMLDivElement>(null);
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content
          ref={content}
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            const first = content.current?.querySelector<HTMLElement>("[data-first]");
            if (!first) return;
            event.preventDefault();
            first.focus();
            if (first instanceof HTMLInputElement) first.select();
          }}
          className={`fixed top-1/2 left-1/2 z-50 max-h-[88vh] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-sm border border-edge bg-sheet p-5 shadow-xl ${wide === "widest" ? "w-[60rem]" : wide ? "w-[45rem]" : "w-[27.5rem]"} max-w-[94vw]`}
        >
          <div className="mb-4 flex items-center justify-between">
            <Dialog.Title className="text-base font-semibold">{title}</Dialog.Title>
            <Dialog.Close className="push push-bare" aria-label="Close">
              <X size={16} />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
