import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap, type Schemas } from "../api/client";
import { t } from "../catalogue";
import { Problem } from "../ui/states";
import { attemptKeys } from "./keys";
import { UnitField } from "./unit-field";
import { figure, measure, toSi } from "./units";
import type { Attempt } from "./use-attempt";
import { useUnits } from "./use-units";

/** Widths by callipers at places of the bead; what was measured there is shown once one's own figure is in. */
export function Callipers({ attempt }: { attempt: Attempt }) {
  const units = useUnits();
  const { read, take } = useCallipers(attempt.id, attempt.version);
  const [typed, type] = useState<Record<number, string>>({});
  const places = read.data?.places ?? [];
  if (places.length === 0) return null;
  const { asked, phone, phone_mm } = read.data ?? { asked: false, phone: null, phone_mm: null };
  const changed = Object.entries(typed).filter(([, text]) => text !== "");
  return (
    <details open={asked} className="rounded-box border border-base-300 p-3">
      <summary className="cursor-pointer font-semibold">
        {asked ? t("callipers-asked") : t("callipers-title")}
      </summary>
      {phone !== null && phone_mm !== null && (
        <p className="mt-2 text-sm">
          {t("callipers-phone", { phone, width: measure(phone_mm, "length", units, 2) })}
        </p>
      )}
      <p className="my-2 text-sm">{t("callipers-how")}</p>
      <form
        className="flex flex-wrap items-end gap-3"
        onSubmit={(e) => {
          e.preventDefault();
          take.mutate(
            changed.map(([place, text]) => ({ s_mm: Number(place), width_mm: toSi(text, "length", units) })),
            { onSuccess: () => type({}) },
          );
        }}
      >
        {places.map((one) => (
          <div key={one.s_mm} className="w-40">
            <UnitField
              label={t("callipers-at", { place: measure(one.s_mm, "length", units, 0) })}
              quantity="length"
              units={units}
              value={
                typed[one.s_mm] ?? (one.width_mm === null ? "" : figure(one.width_mm, "length", units, 2))
              }
              onChange={(text) => type({ ...typed, [one.s_mm]: text })}
            />
            {one.measured_mm !== null && (
              <p className="text-sm">
                {t("callipers-measured", { width: measure(one.measured_mm, "length", units, 2) })}
              </p>
            )}
          </div>
        ))}
        <button className="btn h-10" disabled={take.isPending || changed.length === 0}>
          {t("callipers-save")}
        </button>
      </form>
      <Problem error={take.error} />
    </details>
  );
}

function useCallipers(attempt: number, version: number) {
  const queries = useQueryClient();
  const key = attemptKeys.callipers(attempt, version);
  const params = { path: { attempt_id: attempt } };
  const read = useQuery({
    queryKey: key,
    queryFn: () => unwrap(api.GET("/api/attempts/{attempt_id}/callipers", { params })),
    enabled: attempt > 0,
  });
  const take = useMutation({
    mutationFn: (places: Schemas["PlaceWidth"][]) =>
      unwrap(api.PUT("/api/attempts/{attempt_id}/callipers", { params, body: { places } })),
    onSuccess: (after) => queries.setQueryData(key, after),
  });
  return { read, take };
}
