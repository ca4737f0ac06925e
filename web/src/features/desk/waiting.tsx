import { t } from "../../catalogue";
import { Link } from "react-router";
import { usePaths } from "../../domain/course";
import { Strip } from "../../domain/strip";
import { TintBadge } from "../../domain/tint";
import { dateWords, percent, standingWords } from "../../domain/words";
import type { WaitingAttempt } from "./queries";

const PER_MM = 4.2;

/** One attempt that waits: whose, what, its strip and the figures that say most. */
export function Waiting({ attempt, search }: { attempt: WaitingAttempt; search: string }) {
  const paths = usePaths();
  const m = attempt.measurement;
  const refused = !attempt.measuring && !m?.strip;
  return (
    <Link
      className={
        "grid items-center gap-3 rounded-box border border-base-300 bg-base-100 p-2 hover:border-primary " +
        "md:grid-cols-[14rem_minmax(0,1fr)_12rem]"
      }
      to={paths.attempt(attempt.id) + (search && `?${search}`)}
    >
      <span>
        <span className="block font-bold">{attempt.student.display_name}</span>
        <span className="block text-sm">
          {t("common-attempt", { title: attempt.assignment.design.title, number: attempt.number })}
        </span>
        <span className="quiet block text-sm">
          {dateWords(attempt.updated_at)} · {standingWords(attempt.state, refused)}
        </span>
        {attempt.need !== "none" && (
          <span className="block text-sm font-semibold text-secondary">{t(`need-${attempt.need}`)}</span>
        )}
      </span>
      <span className="overflow-hidden rounded">
        {m?.strip ? (
          <Strip
            strip={m.strip}
            perMm={PER_MM}
            label={t("desk-strip-of-s-bead", { name: attempt.student.display_name })}
          />
        ) : (
          <span className="block bg-base-200 p-3 text-sm">
            {attempt.measuring ? t("common-being-measured") : t("desk-photo-could-not-be-measured-mark")}
          </span>
        )}
      </span>
      <span className="text-sm">
        {m?.width_cv != null && (
          <>
            <span className="block">{t("desk-width-variation", { width_cv: percent(m.width_cv) })}</span>
            <span className="block">{t("desk-ripple-variation", { pitch_cv: percent(m.pitch_cv) })}</span>
            <TintBadge level={m.tint_level} />
          </>
        )}
      </span>
    </Link>
  );
}
