import { strFromU8, unzipSync } from "fflate";
import type { Parcel } from "./parcel";
import { parcelFolder, parcelZip, takenAs } from "./parcelZip";

const parcel: Parcel = { id: "names", files: [{ path: "actions.lua", type: "text/plain", content: "return {}" }], leftOut: ["PNGs of the looks"] };

afterEach(() => jest.useRealTimers());

test("the same parcels give the same bytes, whenever they are made", () => {
  const at = (time: string) => {
    jest.useFakeTimers({ now: new Date(time) });
    return parcelZip([parcel]);
  };
  expect(at("2026-03-01T10:00:00Z")).toEqual(at("2027-11-30T23:59:58Z"));
});

test("a folder for each parcel, and a list of what could not be made", () => {
  expect([...parcelFolder([parcel]).keys()]).toEqual(["names/actions.lua", "left-out.txt"]);
  expect(strFromU8(unzipSync(parcelZip([parcel]))["left-out.txt"])).toBe("PNGs of the looks\n");
});

test("a parcel of one whole file is taken as that file", () => {
  expect(takenAs({ ...parcel, leftOut: [] }, "names.zip")).toMatchObject({ path: "actions.lua", content: "return {}" });
  expect(takenAs(parcel, "names.zip")).toMatchObject({ path: "names.zip", type: "application/zip" });
});
