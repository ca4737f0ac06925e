// @vitest-environment jsdom
import { cleanup, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, expect, it, vi } from "vitest";
import { proposal } from "../../testing/proposal";
import { serve, show } from "../../testing/render";
import type { Attempt } from "../../domain/use-attempt";
import { FindingsDialog } from "./findings-dialog";

afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
});

const back = { id: 8, kind: "back", url: "/back.jpg" };
const attempt = { id: 5, version: 3, photos: [back], measuring: false } as unknown as Attempt;
const findings = [
  { key: "leg_upper_mm", words: "Vertical leg", at: "from the root up" },
  { key: "back", words: "Back side", at: "the far side" },
];

it("takes figures in the person's unit and leaves out what was not checked", async () => {
  const calls = serve({ "PUT /api/attempts/5/findings": attempt });
  const close = vi.fn();
  show(
    <FindingsDialog
      attempt={attempt}
      proposal={proposal({ findings, found: { leg_upper_mm: 3 } })}
      close={close}
    />,
    { length_unit: "thou" },
  );
  const leg = screen.getByLabelText<HTMLInputElement>(/Vertical leg/);
  expect(leg.value).toBe("118");
  await userEvent.clear(leg);
  await userEvent.type(leg, "126");
  await userEvent.click(screen.getByRole("button", { name: "Save checks" }));
  await waitFor(() => expect(close).toHaveBeenCalledOnce());
  const body = calls[0]?.body as Record<string, number | null>;
  expect(body["leg_upper_mm"]).toBeCloseTo(3.2, 1);
  expect(body["back"]).toBeNull();
});

it("offers to measure the back, and takes over what its measuring speaks for", async () => {
  const calls = serve({ "POST /api/photos/8/measure-again": {} });
  show(<FindingsDialog attempt={attempt} proposal={proposal({ findings })} close={() => undefined} />);
  await userEvent.click(screen.getByRole("button", { name: "Measure the back" }));
  await waitFor(() => expect(calls[0]?.path).toBe("/api/photos/8/measure-again"));
  cleanup();
  show(
    <FindingsDialog
      attempt={attempt}
      proposal={proposal({ findings, back_seen: "tinted" })}
      close={() => undefined}
    />,
  );
  await userEvent.click(screen.getByRole("button", { name: "Use measured: tinted" }));
  expect(screen.getByLabelText<HTMLSelectElement>(/Back side/).value).toBe("tinted");
});
