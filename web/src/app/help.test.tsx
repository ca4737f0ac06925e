// @vitest-environment jsdom
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it } from "vitest";
import { TermMark } from "../domain/help";
import { show } from "../testing/render";
import { helpPlace } from "../ui/help-place";
import { Problem } from "../ui/states";
import { Help } from "./help";

afterEach(() => {
  helpPlace.set(null);
  cleanup();
});

it("opens beside the page by button and by key, searches, and closes by Escape", async () => {
  show(<Help student={false} />);
  await userEvent.click(screen.getByRole("button", { name: "Help" }));
  const search = await screen.findByLabelText("Search help");
  await userEvent.type(search, "gas lens");
  await userEvent.click(screen.getByRole("button", { name: /^Gas lens/ }));
  expect(screen.getByRole("heading", { name: "Gas lens" })).toBeTruthy();
  expect(screen.getByRole("img", { name: /gas lens in section/ })).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Open all help pages" }));
  await userEvent.click(screen.getByRole("button", { name: "Stock" }));
  expect(screen.getByText(/What is on the shelf/)).toBeTruthy();
  await userEvent.type(screen.getByLabelText("Search help"), "nonsense word");
  expect(screen.getByText("Nothing found. Try another word.")).toBeTruthy();
  await userEvent.keyboard("{Escape}");
  expect(screen.queryByLabelText("Search help")).toBeNull();
  await userEvent.keyboard("?");
  expect(await screen.findByLabelText("Search help")).toBeTruthy();
});

it("leads from a term to its drawing, and stands beside no other field", async () => {
  show(
    <>
      <TermMark field="gas_part" words="Gas lens or collet body" />
      <TermMark field="note" words="Note" />
    </>,
  );
  expect(screen.getAllByRole("button")).toHaveLength(1);
  await userEvent.click(screen.getByRole("button", { name: "Help: Gas lens or collet body" }));
  expect(helpPlace.get()).toBe("terms#gas-lens");
});

it("opens from a problem where there is help, and stands beside none where there is not", async () => {
  const { unmount } = show(<Problem error={new Error("The connection broke.")} />);
  expect(screen.queryByRole("button", { name: "Open help" })).toBeNull();
  unmount();
  show(
    <>
      <Help student={false} />
      <Problem error={new Error("The connection broke.")} />
    </>,
  );
  await userEvent.click(screen.getByRole("button", { name: "Open help" }));
  expect(await screen.findByLabelText("Search help")).toBeTruthy();
});
