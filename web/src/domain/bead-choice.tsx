import { t } from "../catalogue";
import type { Schemas } from "../api/client";
import { api, unwrap } from "../api/client";
import { Problem } from "../ui/states";
import { may, useAttemptChange, type Attempt } from "./use-attempt";

type Bead = Schemas["SeenBead"];
type Props = { attempt: Attempt; photo: Schemas["Photo"]; measurement: Schemas["Measurement"] };

const NUMBER = "btn absolute btn-circle -translate-x-1/2 -translate-y-1/2 btn-xs sm:btn-sm";

const outline = (bead: Bead) =>
  [...bead.left, ...bead.right.toReversed()].map((point) => point.join(",")).join(" ");

/** Where a bead's number stands, in hundredths of the photo's sides: at its start, where it hides little. */
function start(bead: Bead, photo: Schemas["Photo"]): [number, number] {
  const [a, b] = [bead.left[0] ?? [0, 0], bead.right[0] ?? [0, 0]];
  const along = (k: number, size: number) => (50 * ((a[k] ?? 0) + (b[k] ?? 0))) / size;
  return [along(0, photo.width_px), along(1, photo.height_px)];
}

function words(bead: Bead) {
  if (bead.counts) return t("shared-bead-this-one-counts", { number: bead.number });
  return t(bead.suggested ? "shared-use-suggested-bead" : "shared-use-bead", { number: bead.number });
}

/** A photo that shows several beads: each has its number, and the one that is tapped counts. */
export function BeadChoice({ attempt, photo, measurement }: Props) {
  const choose = useAttemptChange(attempt.id, (number: number) =>
    unwrap(
      api.POST("/api/measurements/{measurement_id}/bead", {
        params: { path: { measurement_id: measurement.id } },
        body: { number },
      }),
    ),
  );
  const open = may(attempt, "choose_bead") && !choose.isPending;
  return (
    <figure className="max-w-xl space-y-2">
      <div className="relative">
        <svg
          viewBox={`0 0 ${String(photo.width_px)} ${String(photo.height_px)}`}
          role="img"
          aria-label={t("shared-photo-with-beads-numbered", { count: measurement.beads.length })}
          className="block w-full rounded-box bg-base-300"
        >
          <image href={photo.url} width={photo.width_px} height={photo.height_px} />
          {measurement.beads.map((bead) => (
            <polygon
              key={bead.number}
              points={outline(bead)}
              fill="none"
              stroke={bead.counts ? "#00e5ff" : "#ffffff"}
              strokeDasharray={bead.counts ? undefined : "6 5"}
              strokeWidth={bead.counts ? 2.5 : 1.5}
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
        {measurement.beads.map((bead) => {
          const [left, top] = start(bead, photo);
          return (
            <button
              key={bead.number}
              className={`${NUMBER} ${bead.counts ? "btn-primary" : ""}`}
              style={{ left: `${String(left)}%`, top: `${String(top)}%` }}
              aria-label={words(bead)}
              aria-pressed={bead.counts}
              disabled={!open && !bead.counts}
              onClick={() => !bead.counts && open && choose.mutate(bead.number)}
            >
              {bead.number}
            </button>
          );
        })}
      </div>
      <figcaption className="text-sm">
        {measurement.beads
          .filter((bead) => bead.counts || bead.suggested)
          .map(beadName)
          .join(" ")}{" "}
        {may(attempt, "choose_bead") && t("shared-tap-another-number-to-choose-that")}
      </figcaption>
      <Problem error={choose.error} />
    </figure>
  );
}

function beadName(bead: Bead) {
  if (!bead.suggested) return t("shared-bead-in-use", { number: bead.number });
  return t(bead.counts ? "shared-suggested-bead-in-use" : "shared-bead-suggested", { number: bead.number });
}
