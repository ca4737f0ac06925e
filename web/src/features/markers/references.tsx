import { t } from "../../catalogue";
import { Link, useNavigate } from "react-router";
import { useCourse, usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { Strip } from "../../domain/strip";
import { useReferences } from "../../domain/use-references";
import { useBeginTest, useLetGo } from "./queries";
import { markWords } from "../../domain/units";

const PER_MM = 3.4;

/** Marked beads that are kept as a measure, and a test of oneself on them. */
export function References() {
  const mine = useCourse().role === "instructor";
  const paths = usePaths();
  const navigate = useNavigate();
  const references = useReferences();
  const letGo = useLetGo();
  const begin = useBeginTest();
  if (references.isPending) return <Loading />;
  if (references.isError) return <Problem error={references.error} />;
  const { tested, references: kept } = references.data;
  return (
    <Panel tight aria-label={t("markers-reference-beads")}>
      <h2 className="font-bold">{t("markers-reference-beads")}</h2>
      <p className="mb-2 text-sm">
        {tested ? t("markers-you-have-taken-the-self-test") : t("markers-new-markers-start-here-mark-ten")}
      </p>
      <button
        className={`btn mb-3 btn-sm ${tested ? "" : "btn-primary"}`}
        disabled={begin.isPending}
        onClick={() =>
          begin.mutate(undefined, {
            onSuccess: (test) => void navigate(paths.to(`self-test/${String(test.id)}`)),
          })
        }
      >
        {t("markers-start-self-test")}
      </button>
      <Problem error={begin.error ?? letGo.error} />
      {kept.length === 0 && <p className="quiet text-sm">{t("markers-no-reference-beads-yet-open-a")}</p>}
      <ul className="space-y-2">
        {kept.map((one) => (
          <li key={one.id} className="overflow-hidden text-sm">
            <Link className="font-semibold hover:underline" to={paths.attempt(one.attempt)}>
              {one.title}: {markWords(one.total)}
            </Link>{" "}
            “{one.comment}” <span className="quiet">{one.kept_by.display_name}</span>
            {mine && (
              <button
                className="btn ml-2 btn-ghost btn-xs"
                disabled={letGo.isPending}
                onClick={() => letGo.mutate(one.attempt)}
              >
                {t("markers-remove-reference")}
              </button>
            )}
            {one.measurement?.strip && (
              <Strip
                strip={one.measurement.strip}
                perMm={PER_MM}
                label={t("markers-strip-of-a-reference", { title: one.title })}
              />
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
