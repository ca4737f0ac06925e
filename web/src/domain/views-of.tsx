import { t } from "../catalogue";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { AngleReader } from "./angle-reader";
import type { PhotoName } from "./outbox/changes";
import { useWaitingViews } from "./outbox/waiting-views";
import type { Drawable } from "./photo-lines";
import { may, type Attempt } from "./use-attempt";
import { dateWords, fieldWords, viewWords } from "./words";

/** A photo on which an angle is being read: it stays open with its lines while it is sent. */
type Read = Drawable & { id: PhotoName };

/**
 * The photos of an attempt that are not of the bead, also those of the torch that wait to be sent,
 * and the angles read on them.
 */
export function ViewsOf({ attempt }: { attempt: Attempt }) {
  const [reading, setReading] = useState<Read | null>(null);
  const waiting = useWaitingViews(attempt.id);
  const views = attempt.photos.filter((p) => !["bead", "run", "trial"].includes(p.kind));
  if (views.length === 0 && waiting.length === 0) return null;
  const readable = may(attempt, "read_angle") && attempt.runs.length > 0;
  const button = (view: Read) => (
    <button className="btn mt-1 btn-sm" onClick={() => setReading(view.id === reading?.id ? null : view)}>
      {view.id === reading?.id ? t("common-close") : t("shared-read-an-angle")}
    </button>
  );
  return (
    <section className="mt-3 space-y-3" aria-label={t("common-other-photos")}>
      <ul className="grid grid-cols-2 gap-3 sm:grid-cols-3">
        {waiting.map((view) => (
          <li key={view.id} className="min-w-0 text-sm">
            <Picture url={view.url} alt={`${viewWords("torch")}, ${t("shared-waits-to-be-sent")}`} />
            <p className="mt-1 font-semibold">{viewWords("torch")}</p>
            <p>{t("shared-waits-to-be-sent")}</p>
            {view.angles > 0 && <p>{t("shared-angles-wait", { count: view.angles })}</p>}
            {readable && button(view)}
          </li>
        ))}
        {views.map((view) => (
          <li key={view.id} className="min-w-0 text-sm">
            <a href={view.url} target="_blank" rel="noreferrer">
              <Picture url={view.url} alt={`${viewWords(view.kind)}, ${dateWords(view.sent_at)}`} />
            </a>
            <p className="mt-1 font-semibold">{viewWords(view.kind)}</p>
            {view.angles.map((a) => (
              <p key={a.which}>{angleWords(a)}</p>
            ))}
            {view.kind === "torch" && readable && button(view)}
          </li>
        ))}
      </ul>
      {reading && (
        <AngleReader key={reading.id} attempt={attempt} photo={reading} close={() => setReading(null)} />
      )}
    </section>
  );
}

function Picture({ url, alt }: { url: string; alt: string }) {
  return (
    <img
      src={url}
      alt={alt}
      loading="lazy"
      className="aspect-4/3 w-full rounded-box bg-base-300 object-cover"
    />
  );
}

function angleWords(a: Schemas["Angle"]): string {
  const spread = `± ${(2 * a.uncertainty_deg).toFixed(1)}°`;
  return `${fieldWords(`${a.which}_angle_deg`)}: ${a.angle_deg.toFixed(0)}° ${spread}`;
}
