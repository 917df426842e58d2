"use client";
/** A moment's name, and a new moment: where they are listed on a card and in the dialogue of moments. */
import { Plus } from "lucide-react";
import { addMoment, renameMoment } from "../../core/editing/edits/moments";
import type { Moment } from "../../core/format/types";
import { TypedField } from "../../ui/Typed";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";

export function MomentName({ moment }: { moment: Moment }) {
  const session = useSessionActions();
  const { id, name } = moment;
  return (
    <TypedField
      bare
      label={`Moment ${name}`}
      reads={says("moment.name")}
      value={name}
      onCommit={(next) => session.edit(`rename ${name}`, (l) => renameMoment(l, id, next.trim()))}
    />
  );
}

export function NewMoment() {
  const session = useSessionActions();
  return (
    <form
      className="flex gap-0.5"
      onSubmit={(event) => {
        event.preventDefault();
        const form = event.currentTarget;
        const name = String(new FormData(form).get("moment")).trim();
        if (name !== "" && session.edit(`add the moment ${name}`, (l) => addMoment(l, name))) form.reset();
      }}
    >
      <input
        {...readingProps(says("moment.new"))}
        name="moment"
        aria-label="Name of the new moment"
        placeholder="new moment"
        maxLength={80}
        className="box h-6 min-w-0 flex-1 px-1.5"
      />
      <button className="grid size-6 place-items-center" aria-label="Add the moment" {...readingProps(says("moment.new"))}>
        <Plus size={13} />
      </button>
    </form>
  );
}
