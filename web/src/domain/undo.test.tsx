// @vitest-environment jsdom
import { act, cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { serve, show } from "../testing/render";
import { offerUndo, Undo } from "./undo";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

it("takes a return back by its key within seconds, and not while somebody types", async () => {
  const calls = serve({ "POST /api/attempts/5/take-back": { id: 5 } });
  show(
    <>
      <input aria-label="words" />
      <Undo />
    </>,
  );
  act(() => offerUndo(5, "Returned 82 to Wen."));
  expect(screen.getByRole("status").textContent).toContain("Returned 82 to Wen.");
  await userEvent.type(screen.getByLabelText("words"), "u");
  expect(calls).toEqual([]);
  screen.getByLabelText("words").blur();
  await userEvent.keyboard("u");
  await waitFor(() => expect(calls[0]?.path).toBe("/api/attempts/5/take-back"));
  await waitFor(() => expect(screen.queryByRole("status")).toBeNull());
});

it("goes away when the time is over", () => {
  vi.useFakeTimers();
  show(<Undo />);
  act(() => offerUndo(6, "Sent back: Wen."));
  expect(screen.getByRole("button", { name: /Undo/ })).toBeTruthy();
  act(() => {
    vi.advanceTimersByTime(11_000);
  });
  expect(screen.queryByRole("status")).toBeNull();
});

it("says so where it is too late", async () => {
  serve({});
  show(<Undo />);
  act(() => offerUndo(7, "Returned 60 to Oda."));
  await userEvent.click(screen.getByRole("button", { name: /Undo/ }));
  expect(await screen.findByRole("alert")).toBeTruthy();
  await userEvent.click(screen.getByRole("button", { name: "Close" }));
  expect(screen.queryByRole("status")).toBeNull();
});
