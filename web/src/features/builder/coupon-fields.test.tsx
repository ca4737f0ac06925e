// @vitest-environment jsdom
import { cleanup, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { useEffect, useState } from "react";
import { afterEach, expect, it } from "vitest";
import { show } from "../../testing/render";
import type { Units } from "../../domain/units";
import { CouponFields } from "./coupon-fields";
import { couponOf, freshForm, type Coupon, type Form } from "./coupon-shape";

afterEach(cleanup);

const typed: { coupon: Coupon } = { coupon: {} };
const keep = (coupon: Coupon) => {
  typed.coupon = coupon;
};

function Builder({ units }: { units: Units }) {
  const [form, setForm] = useState<Form>(() => freshForm(units));
  useEffect(() => keep(couponOf(form, units)), [form, units]);
  return (
    <CouponFields form={form} units={units} change={(key, value) => setForm({ ...form, [key]: value })} />
  );
}

it("asks for a tube's diameter only where the joint is on tube", async () => {
  show(<Builder units={{ length: "mm", flow: "l_min" }} />);
  expect(screen.queryByLabelText(/Tube outside diameter/)).toBeNull();
  await userEvent.selectOptions(screen.getByLabelText("Joint"), "socket");
  await userEvent.type(screen.getByLabelText(/Tube outside diameter/), "48,3");
  expect(typed.coupon).toMatchObject({ joint: "socket", form: "tube", tube_od_mm: 48.3 });
});

it("sends fractions of an inch as millimetres and a torch as its number", async () => {
  show(<Builder units={{ length: "thou", flow: "cfh" }} />);
  expect(screen.getByLabelText<HTMLInputElement>(/^Thickness/).value).toBe("0.079");
  await userEvent.clear(screen.getByLabelText(/^Thickness/));
  await userEvent.type(screen.getByLabelText(/^Thickness/), "1/16");
  await userEvent.selectOptions(screen.getByLabelText("Torch head"), "17");
  expect(typed.coupon.thickness_mm).toBe(1.6);
  expect(typed.coupon.torch).toBe(17);
});

it("asks of which table a gauge is", async () => {
  show(<Builder units={{ length: "mm", flow: "l_min" }} />);
  expect(screen.queryByLabelText("Gauge of")).toBeNull();
  await userEvent.selectOptions(screen.getByLabelText("or gauge"), "16");
  await userEvent.selectOptions(screen.getByLabelText("Gauge of"), "tube wall");
  expect(typed.coupon).toMatchObject({ gauge: 16, gauge_table: "tube_wall" });
});
