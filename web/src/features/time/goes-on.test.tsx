// @vitest-environment jsdom
import { cleanup, render, screen } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import { GoesOn } from "./goes-on";

afterEach(cleanup);

const forecast = {
  assignment: 1,
  title: "Lap",
  in_a_row: 3,
  attempts: 4,
  good_in_a_row: 1,
  next_pass: 0.6,
  to_go: { low: 2, median: 4, high: 9 },
  trend: "better",
  plateau: false,
  ready: false,
  words: "A pass next time is about even.",
};

it("tells how it goes on in words and as a range that a screen reader can say", () => {
  const { rerender } = render(<GoesOn forecast={forecast} />);
  expect(screen.getByText(/about even/)).toBeTruthy();
  expect(screen.getByRole("img").getAttribute("aria-label")).toContain(
    "2 to 9 more attempts, most likely 4, until 3 passes in a row",
  );
  rerender(<GoesOn forecast={{ ...forecast, ready: true, to_go: null }} />);
  expect(screen.queryByRole("img")).toBeNull();
});
