import { expect, it } from "vitest";
import { anchorOf, CONTENTS, drawingOf, found, pages } from "./help-pages";
import { pageOf } from "./help-places";

it.each([
  ["/course/7/desk", false, "desk"],
  ["/course/7/assign", false, "library"],
  ["/course/7/wall", false, "class"],
  ["/course/7/attempt/3", false, "marking"],
  ["/course/7/attempt/3", true, "attempt"],
  ["/course/7/student/4", false, "progress"],
  ["/course/7/time", true, "progress"],
  ["/workshop/people", false, "workshop"],
  ["/course/7/people", false, "people"],
  ["/api-guide", false, "account"],
  ["/elsewhere", false, CONTENTS],
])("opens for %s (student: %s) the page %s", (path, student, page) => {
  expect(pageOf(path, student)).toBe(page);
  expect(pages[page]).toBeTruthy();
});

it("finds sections that hold every word, headings first", () => {
  expect(found("gas lens")[0]).toMatchObject({ page: "terms", title: "Gas lens", anchor: "gas-lens" });
  expect(found("GAUGE leak").map((one) => one.page)).toEqual(["stock"]);
  expect(found("unheard-of")).toEqual([]);
  expect(found(" ")).toEqual([]);
});

it("lists every page in the contents, and every link and drawing leads somewhere", () => {
  const links = Object.values(pages).flatMap((text) =>
    [...text.matchAll(/\]\((\S+?)\)/g)].map((m) => m[1] ?? ""),
  );
  for (const link of links) {
    if (link.endsWith(".svg")) expect(drawingOf(link)).not.toBe(link);
    else expect(pages[link.replace(/\.md.*/, "")]).toBeTruthy();
  }
  const listed = new Set([...(pages[CONTENTS] ?? "").matchAll(/\((\S+)\.md\)/g)].map((m) => m[1]));
  expect(Object.keys(pages).filter((page) => page !== CONTENTS && !listed.has(page))).toEqual([]);
});

it("makes an anchor of a heading's words", () => {
  expect(anchorOf("Peak, background, peak time")).toBe("peak-background-peak-time");
});
