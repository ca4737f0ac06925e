import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { AreaField, TextField } from "../../ui/field";
import { Problem } from "../../ui/states";
import type { Coupon } from "./coupon-shape";
import { useKeepDesign } from "./queries";

type Props = { coupon: Coupon; from: Schemas["Design"] | null; ready: boolean };

const USUAL_LENGTH_MM = 90;

/** What the coupon is called and what it is for; kept as a new one, or as the next version of one's own. */
export function KeepForm({ coupon, from, ready }: Props) {
  const keep = useKeepDesign();
  const [title, setTitle] = useState(from?.title ?? "");
  const [purpose, setPurpose] = useState(from?.purpose ?? "");
  const submit = (e: React.FormEvent) => {
    e.preventDefault();
    keep.mutate({
      coupon,
      title,
      purpose,
      usual_faults: from?.usual_faults ?? "",
      length_mm: from?.length_mm ?? USUAL_LENGTH_MM,
      base: from?.id ?? null,
    });
  };
  const version = (from?.version ?? 1) + 1;
  return (
    <form className="space-y-2 border-t border-base-300 pt-3" onSubmit={submit}>
      <TextField
        label={t("common-title")}
        className="h-9 input-sm"
        maxLength={80}
        required
        value={title}
        onChange={setTitle}
      />
      <AreaField label={t("common-purpose")} rows={2} maxLength={300} value={purpose} onChange={setPurpose} />
      <p className="quiet text-sm">
        {from?.course
          ? t("builder-saves-as-version-coupons-already-assigned", { version })
          : t("builder-saves-to-this-courses-library")}
      </p>
      <Problem error={keep.error} />
      <button className="btn w-full btn-primary" disabled={!ready || keep.isPending}>
        {keep.isPending ? t("common-saving") : t("builder-save-and-assign")}
      </button>
    </form>
  );
}
