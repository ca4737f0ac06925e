import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { CardFigures } from "../../domain/card-figures";
import { CardPlan } from "../../domain/card-plan";
import { WarningNote } from "../../ui/panel";
import { SectionSketch } from "../../domain/section-sketch";
import type { Units } from "../../domain/units";
import { HeatAndGas, WhyCurrent } from "../../domain/why-current";
import type { Coupon, Move } from "./coupon-shape";

type Props = {
  card: Schemas["Card"];
  coupon: Coupon;
  joint: string;
  moved: Move[];
  units: Units;
};

const USUAL_MM = 1.6;

/** The card of the coupon as it is typed: the joint in section, what moved, why, and every figure. */
export function LiveCard({ card, coupon, joint, moved, units }: Props) {
  return (
    <>
      <div className="grid items-center gap-3 xl:grid-cols-[minmax(0,1fr)_16rem]">
        <SectionSketch
          input={{
            joint,
            thickness_mm: Number(coupon.thickness_mm) || USUAL_MM,
            second_thickness_mm: Number(coupon.second_thickness_mm) || null,
            width_mm: card.bead.width_mm.aim,
            work_deg: card.angles_deg.work,
            cup: card.cup.number,
            stickout_mm: card.stickout_mm.aim,
            electrode_mm: card.electrode.diameter_mm,
          }}
          travel_deg={card.angles_deg.travel}
          filler_deg={card.angles_deg.filler}
          fused={card.filler === null}
        />
        <div className="text-sm" aria-live="polite">
          <h2 className="font-bold">{t("builder-what-changed")}</h2>
          {moved.length === 0 ? (
            <p className="quiet">{t("builder-no-changes-yet-edit-a-field")}</p>
          ) : (
            <ul>
              {moved.map((m) => (
                <li key={m.words}>
                  {m.words}: {m.from} → <strong>{m.to}</strong>
                </li>
              ))}
            </ul>
          )}
          <h2 className="mt-2 font-bold">{t("common-why-a", { aim: card.current_a.aim.toFixed(0) })}</h2>
          <WhyCurrent card={card} />
        </div>
      </div>
      {card.warnings.map((w) => (
        <WarningNote key={w.code} severity={w.severity}>
          {w.message}
        </WarningNote>
      ))}
      <CardFigures card={card} units={units} moved={moved.map((m) => m.words)} />
      <CardPlan card={card} units={units} />
      <div className="mt-2 text-sm">
        <HeatAndGas card={card} units={units} />
      </div>
    </>
  );
}
