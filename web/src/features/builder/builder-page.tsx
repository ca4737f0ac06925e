import { t } from "../../catalogue";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useDesigns, usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { useUnits } from "../../domain/use-units";
import type { Units } from "../../domain/units";
import { CouponFields } from "./coupon-fields";
import { couponOf, formOf, freshForm, moves, type Form } from "./coupon-shape";
import { KeepForm } from "./save-form";
import { LiveCard } from "./live-card";
import { usePlan } from "./queries";

export function BuilderPage() {
  const units = useUnits();
  const [params] = useSearchParams();
  const base = Number(params.get("from") ?? "0");
  const designs = useDesigns();
  if (designs.isPending) return <Loading />;
  if (designs.isError) return <Problem error={designs.error} again={() => void designs.refetch()} />;
  const from = designs.data.find((d) => d.id === base) ?? null;
  return <Builder key={`${String(base)}${units.length}`} from={from} units={units} />;
}

function Builder({ from, units }: { from: Schemas["Design"] | null; units: Units }) {
  const paths = usePaths();
  const [form, setForm] = useState<Form>(() => (from ? formOf(from, units) : freshForm(units)));
  const coupon = couponOf(form, units);
  const { card, before, error } = usePlan(coupon);
  return (
    <>
      <div className="mb-3 flex flex-wrap items-baseline gap-3">
        <h1 className="text-2xl font-bold">
          {from ? t("builder-edit", { title: from.title }) : t("common-build-a-coupon")}
        </h1>
        <Link className="link text-sm" to={paths.to("assign")}>
          {t("common-coupon-library")}
        </Link>
      </div>
      <div className="grid gap-4 lg:grid-cols-[22rem_minmax(0,1fr)]">
        <Panel as="div" tight className="h-fit space-y-3">
          <CouponFields
            form={form}
            units={units}
            change={(key, value) => setForm({ ...form, [key]: value })}
          />
          <KeepForm coupon={coupon} from={from} ready={card !== undefined && error === null} />
        </Panel>
        <Panel tight aria-label={t("builder-setup-card-live")}>
          {error && <Problem error={error} />}
          {card && (
            <LiveCard
              card={card}
              coupon={coupon}
              joint={form.joint ?? "butt"}
              moved={moves(before, card, units)}
              units={units}
            />
          )}
        </Panel>
      </div>
    </>
  );
}
