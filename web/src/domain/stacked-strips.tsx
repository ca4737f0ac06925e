import { t } from "../catalogue";
import type { ReactNode } from "react";
import type { Brief } from "./use-attempt";
import { spanOf, Strip } from "./strip";
import { dateWords, stateWords } from "./words";
import { markWords } from "./units";

/** Beads under one another by date, all to the same scale: steadier is something one sees. */
export function StackedStrips({
  attempts,
  named = false,
  link,
}: {
  attempts: Brief[];
  /** Whether each says its coupon: where beads of several hang together. */
  named?: boolean;
  link: (attempt: Brief, children: ReactNode) => ReactNode;
}) {
  const longest = Math.max(...attempts.map((a) => (a.measurement?.strip ? spanOf(a.measurement.strip) : 1)));
  return (
    <ol className="space-y-2" aria-label={t("shared-beads-by-date-to-one-scale")}>
      {attempts.map((attempt) => {
        const strip = attempt.measurement?.strip;
        const said = { date: dateWords(attempt.created_at), number: attempt.number };
        const words = named
          ? t("shared-bead-of-coupon", { ...said, title: attempt.assignment.design.title })
          : t("shared-bead-of-attempt", said);
        return (
          <li key={attempt.id}>
            {link(
              attempt,
              <>
                <span className="mb-0.5 flex gap-3 text-sm">
                  <span>{words}</span>
                  <span className="font-semibold">
                    {attempt.mark_total === null
                      ? stateWords(attempt.state)
                      : t("common-mark", { mark_total: markWords(attempt.mark_total) })}
                  </span>
                </span>
                {strip ? (
                  <Strip
                    strip={strip}
                    share={spanOf(strip) / longest}
                    label={t("shared-strip-of", { words })}
                  />
                ) : (
                  <span className="block rounded bg-base-300 p-2 text-sm">
                    {attempt.measurement?.refusal_code
                      ? t("shared-photo-could-not-be-measured")
                      : t("shared-not-measured-yet")}
                  </span>
                )}
              </>,
            )}
          </li>
        );
      })}
    </ol>
  );
}
