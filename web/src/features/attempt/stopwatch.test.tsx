// @vitest-environment jsdom
import { act, cleanup, fireEvent, screen } from "@testing-library/react";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { show } from "../../testing/render";
import { Stopwatch } from "./stopwatch";

beforeEach(() => vi.useFakeTimers());
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

it("gives the seconds between two taps to a tenth, and starts anew", () => {
  const stopped = vi.fn();
  show(<Stopwatch stopped={stopped} />);
  const watch = screen.getByRole("button");
  expect(watch.getAttribute("aria-pressed")).toBe("false");
  fireEvent.click(watch);
  act(() => vi.advanceTimersByTime(12_340));
  expect(watch.textContent).toMatch(/Stop timer: 12\.[23] s/);
  expect(stopped).not.toHaveBeenCalled();
  fireEvent.click(watch);
  expect(stopped).toHaveBeenCalledExactlyOnceWith(12.3);
  fireEvent.click(watch);
  act(() => vi.advanceTimersByTime(2000));
  fireEvent.click(watch);
  expect(stopped).toHaveBeenLastCalledWith(2);
});
