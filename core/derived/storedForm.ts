/** A layout in the form in which it is stored, made again only where it has changed; the digest of a picture is computed once. */
import { digestOfText } from "../format/digest";
import { pictureReference } from "../format/stored";
import type { Layout, Workbench } from "../format/types";
import { layoutText } from "./text";

/** A text that reports pictures by their digests, and the digests by the pictures' data (base64). */
export interface StoredForm {
  readonly text: string;
  /** Digests of all pictures, in the order of `pictureData`. */
  readonly digests: readonly string[];
}

interface WithData {
  readonly data: string;
}
const stubs = new WeakMap<WithData, WithData>();
const digests = new WeakMap<WithData, string>();
const pictureLists = new WeakMap<Layout["pictures"], Layout["pictures"]>();
const workbenches = new WeakMap<Workbench, Workbench>();

function digestOfPicture(picture: WithData): string {
  let digest = digests.get(picture);
  if (digest === undefined) digests.set(picture, (digest = digestOfText(picture.data)));
  return digest;
}

/** A picture told by its digest. */
function stub<T extends WithData>(picture: T): T {
  let made = stubs.get(picture);
  if (!made) stubs.set(picture, (made = { ...picture, data: pictureReference(digestOfPicture(picture)) }));
  return made as T;
}

function stubList(pictures: Layout["pictures"]): Layout["pictures"] {
  let made = pictureLists.get(pictures);
  if (!made) pictureLists.set(pictures, (made = pictures.map(stub)));
  return made;
}

function stubWorkbench(workbench: Workbench): Workbench {
  let made = workbenches.get(workbench);
  if (!made) {
    const momentPictures = Object.fromEntries(Object.entries(workbench.momentPictures).map(([id, picture]) => [id, stub(picture)]));
    workbenches.set(workbench, (made = { ...workbench, picture: workbench.picture && stub(workbench.picture), momentPictures }));
  }
  return made;
}

/** A layout in the form in which it is stored. */
export function storedForm(layout: Layout): StoredForm {
  const { pictures, workbench } = layout;
  const backdrops = [...(workbench.picture ? [workbench.picture] : []), ...Object.values(workbench.momentPictures)];
  return {
    text: layoutText({ ...layout, pictures: stubList(pictures), workbench: stubWorkbench(workbench) }),
    digests: [...pictures, ...backdrops].map(digestOfPicture),
  };
}
