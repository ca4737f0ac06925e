import { measure } from "../../domain/units";
import { useUnits } from "../../domain/use-units";
import { t } from "../../catalogue";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap } from "../../api/client";
import { useCourse } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { ReadGauge } from "../../domain/read-gauge";
import { stockKeys } from "../../domain/keys";

/** Reading the gauge of a bottle in use, by whoever stands beside it. */
export function Gauge() {
  const { id } = useCourse();
  const units = useUnits();
  const [open, setOpen] = useState<number | null>(null);
  const [said, setSaid] = useState("");
  const bottles = useQuery({
    queryKey: stockKeys.bottles(id),
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/bottles", { params: { path: { course_id: id } } })),
  });
  const byHand = (bottles.data ?? []).filter((one) => one.gauge === "");
  if (byHand.length === 0) return null;
  return (
    <Panel tight className="mb-3" aria-label={t("attempt-gas")}>
      <div className="flex flex-wrap items-center gap-2">
        <span className="font-medium">{t("attempt-record-gauge-reading")}</span>
        {byHand.map((one) => (
          <button
            key={one.id}
            className="btn"
            aria-pressed={open === one.id}
            onClick={() => setOpen(open === one.id ? null : one.id)}
          >
            {one.name}
          </button>
        ))}
      </div>
      {said && <p role="status">{said}</p>}
      {open !== null && (
        <ReadGauge
          key={open}
          bottle={open}
          done={(reading) => {
            setOpen(null);
            setSaid(
              t("attempt-bar-saved-close-the-bottle-valve", {
                pressure: measure(reading.bar, "pressure", units),
              }),
            );
          }}
        />
      )}
    </Panel>
  );
}
