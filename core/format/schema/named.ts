/** Objects whose keys are names that people choose. A name such as `__proto__` is one like any other: the value has no prototype, so that it represents nothing else. */
import { z } from "zod";

/**
 * A record that keeps every key. The library's own leaves out `__proto__`, and gives a plain object, on which `constructor` is always there.
 * In JSON Schema, and for whoever walks the schema, it is a record like others.
 */
const NamedRecord = z.core.$constructor<z.ZodRecord<z.ZodString, z.ZodType>>("NamedRecord", (inst, def) => {
  z.ZodRecord.init(inst, def);
  inst._zod.parse = (payload, context) => {
    const input = payload.value as unknown;
    if (typeof input !== "object" || input === null || Array.isArray(input)) {
      payload.issues.push({ expected: "record", code: "invalid_type", input, inst });
      return payload;
    }
    const out: Record<string, unknown> = Object.create(null) as Record<string, unknown>;
    payload.value = out;
    for (const key of Object.keys(input)) {
      const name = sync(def.keyType._zod.run({ value: key, issues: [] }, context));
      if (name.issues.length > 0) {
        payload.issues.push(...z.core.util.prefixIssues(key, name.issues));
        continue;
      }
      const value = sync(def.valueType._zod.run({ value: (input as Record<string, unknown>)[key], issues: [] }, context));
      payload.issues.push(...z.core.util.prefixIssues(key, value.issues));
      out[name.value as string] = value.value;
    }
    return payload;
  };
});

function sync<T>(result: T | Promise<T>): T {
  if (result instanceof Promise) throw new Error("a schema of the file waits for something; none may");
  return result;
}

/** A record from names to values. */
export function named<K extends z.ZodType<string>, V extends z.ZodType>(key: K, value: V): z.ZodRecord<z.ZodString, V> {
  return new NamedRecord({ type: "record", keyType: key, valueType: value } as never) as unknown as z.ZodRecord<z.ZodString, V>;
}
