import { t } from "../catalogue";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { AngleReader } from "./angle-reader";
import { may, type Attempt } from "./use-attempt";
import { dateWords, fieldWords, viewWords } from "./words";

/** The photos of an attempt that are not of the bead, and the torch angles read on them. */
export function ViewsOf({ attempt }: { attempt: Attempt }) {
  const [reading, setReading] = useState<number | null>(null);
  const views = attempt.photos.filter((p) => !["bead", "run", "trial"].includes(p.kind));
  const chosen = views.find((v) => v.id === reading);
  if (views.length === 0) return null;
  return (
    <section className="mt-3 space-y-3" aria-label={t("common-other-photos")}>
      <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {views.map((view) => (
          <li key={view.id} className="min-w-0 text-sm">
            <a href={view.url} target="_blank" rel="noreferrer">
              <img
                src={view.url}
                alt={`${viewWords(view.kind)}, ${dateWords(view.sent_at)}`}
                loading="lazy"
                className="aspect-4/3 w-full rounded-box bg-base-300 object-cover"
              />
            </a>
            <p className="mt-1 font-semibold">{viewWords(view.kind)}</p>
            {view.angles.map((a) => (
              <p key={a.which}>{angleWords(a)}</p>
            ))}
            {view.kind === "torch" && may(attempt, "read_angle") && attempt.runs.length > 0 && (
              <button
                className="btn mt-1 btn-sm"
                onClick={() => setReading(view.id === reading ? null : view.id)}
              >
                {view.id === reading ? t("common-close") : t("shared-read-an-angle")}
              </button>
            )}
          </li>
        ))}
      </ul>
      {chosen && (
        <AngleReader key={chosen.id} attempt={attempt} photo={chosen} close={() => setReading(null)} />
      )}
    </section>
  );
}

function angleWords(a: Schemas["Angle"]): string {
  const spread = `± ${(2 * a.uncertainty_deg).toFixed(1)}°`;
  return `${fieldWords(`${a.which}_angle_deg`)}: ${a.angle_deg.toFixed(0)}° ${spread}`;
}
