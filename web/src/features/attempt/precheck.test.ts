import { describe, expect, it, vi } from "vitest";
import { copySize, precheckPhoto } from "./precheck";

describe("looking at a photo before it is sent", () => {
  it("makes the copy small enough and no larger than the photo", () => {
    expect(copySize(4000, 3000)).toEqual([1400, 1050]);
    expect(copySize(3000, 4000)).toEqual([1050, 1400]);
    expect(copySize(800, 600)).toEqual([800, 600]);
  });
  it("never stands in the way of a file the browser cannot show", async () => {
    vi.stubGlobal("createImageBitmap", () => Promise.reject(new Error("no picture")));
    await expect(precheckPhoto(new File(["x"], "x.heic"))).resolves.toEqual([]);
    vi.unstubAllGlobals();
  });
});
