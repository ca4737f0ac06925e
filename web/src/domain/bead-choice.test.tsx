// @vitest-environment jsdom
import { cleanup, fireEvent, screen, waitFor } from "@testing-library/react";
import { afterEach, expect, it, vi } from "vitest";
import type { Schemas } from "../api/client";
import { api } from "../api/client";
import { show } from "../testing/render";
import { BeadChoice } from "./bead-choice";
import type { Attempt } from "./use-attempt";

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});
const photo = { url: "/p", width_px: 200, height_px: 100 } as unknown as Schemas["Photo"];
const bead = (number: number, counts: boolean, suggested: boolean) => ({
  number,
  counts,
  suggested,
  left: [
    [20, 20 * number],
    [60, 20 * number],
    [100, 20 * number],
  ],
  right: [
    [20, 20 * number + 10],
    [60, 20 * number + 10],
    [100, 20 * number + 10],
  ],
});
const measurement = {
  id: 7,
  beads: [bead(1, true, false), bead(2, false, true), bead(3, false, false)],
} as unknown as Schemas["Measurement"];
const attempt = (may: string[]) => ({ id: 4, may }) as unknown as Attempt;

it("numbers every bead on it and says which counts and which the program took", () => {
  show(<BeadChoice attempt={attempt(["choose_bead"])} photo={photo} measurement={measurement} />);
  const buttons = screen.getAllByRole("button");
  expect(buttons.map((b) => b.getAttribute("aria-label"))).toEqual([
    "Bead 1: in use",
    "Use bead 2 instead, as the program suggests",
    "Use bead 3 instead",
  ]);
  expect(buttons.map((b) => b.getAttribute("aria-pressed"))).toEqual(["true", "false", "false"]);
  expect(buttons[1]?.style.left).toBe("10%");
  expect(buttons[1]?.style.top).toBe("45%");
  expect(screen.getByText(/Bead 1 is in use\. The program suggests bead 2/)).toBeTruthy();
});

it("sends the number that is tapped", async () => {
  const post = vi
    .spyOn(api, "POST")
    .mockResolvedValue({ data: attempt([]), response: new Response() } as never);
  show(<BeadChoice attempt={attempt(["choose_bead"])} photo={photo} measurement={measurement} />);
  fireEvent.click(screen.getByRole("button", { name: /bead 3/ }));
  await waitFor(() => expect(post).toHaveBeenCalledOnce());
  expect(post.mock.calls[0]?.[1]).toMatchObject({
    params: { path: { measurement_id: 7 } },
    body: { number: 3 },
  });
});

it("lets nothing be tapped once a mark stands", () => {
  const post = vi.spyOn(api, "POST");
  show(<BeadChoice attempt={attempt([])} photo={photo} measurement={measurement} />);
  const other = screen.getByRole("button", { name: /bead 2/ });
  expect(other).toHaveProperty("disabled", true);
  fireEvent.click(other);
  expect(post).not.toHaveBeenCalled();
  expect(screen.queryByText(/Tap another/)).toBeNull();
});
