// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, expect, it } from "vitest";
import { Lit, PlaceScope, useLight } from "./place";

afterEach(cleanup);

function Word() {
  const light = useLight();
  return <button {...light({ track: "tint", from: 70, to: 84 })}>grey at the end</button>;
}

it("lights a place up on the strip and on its own track while it has the focus or the pointer", () => {
  const axis = { from_mm: 0, to_mm: 100 };
  render(
    <PlaceScope>
      <Word />
      {["strip", "tint", "width"].map((track) => (
        <Lit key={track} track={track} axis={axis} length={90} />
      ))}
    </PlaceScope>,
  );
  const word = screen.getByText("grey at the end");
  expect(screen.queryByTestId("lit-tint")).toBeNull();
  fireEvent.focus(word);
  expect(screen.getByTestId("lit-tint").style.left).toBe("70%");
  expect(screen.getByTestId("lit-strip").style.width).toMatch(/^14/);
  expect(screen.queryByTestId("lit-width")).toBeNull();
  fireEvent.blur(word);
  fireEvent.pointerEnter(word);
  expect(screen.getByTestId("lit-tint")).toBeTruthy();
  fireEvent.pointerLeave(word);
  expect(screen.queryByTestId("lit-strip")).toBeNull();
});
