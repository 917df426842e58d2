/** The JSON Schema (2020-12) of the layout file, made from the schema that reads it. */
import { z } from "zod";
import { fileSchema } from "../format/schema/file";

/** The schema as a plain value. Relations between fields (inner below outer, unique ids) are checked by the reader alone. */
export function layoutJsonSchema(): unknown {
  const schema = z.toJSONSchema(fileSchema, { io: "input", target: "draft-2020-12" });
  return { ...schema, title: "Nodulum layout", description: "A layout of touch controls for a mobile game, version 1." };
}
