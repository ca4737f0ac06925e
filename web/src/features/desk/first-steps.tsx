import { Link } from "react-router";
import { locale, t } from "../../catalogue";
import { useAboutCourse, useCourse, usePaths } from "../../domain/course";
import { GuideSteps } from "../../domain/guide-steps";
import { useGuide } from "../../domain/use-guide";
import { Problem } from "../../ui/states";

const PAPER = locale === "en-US" ? "?paper=letter" : "";

/** An empty course leads its instructor through the first five things, each done here. */
export function FirstSteps() {
  const { role } = useCourse();
  const paths = usePaths();
  const about = useAboutCourse();
  const { read, tick, sample } = useGuide();
  if (role !== "instructor" || !read.data || read.data.over) return null;
  const { steps, attempt } = read.data;
  return (
    <>
      <GuideSteps
        steps={steps}
        dismiss={() => tick.mutate("over")}
        act={({ key }) => {
          switch (key) {
            case "card":
              return (
                <a
                  className="btn btn-sm"
                  href={`/api/scale-card/window${PAPER}`}
                  target="_blank"
                  rel="noreferrer"
                  onClick={() => tick.mutate("card")}
                >
                  {t("guide-print-card")}
                </a>
              );
            case "people":
              return (
                <>
                  <strong className="mr-2 text-lg tracking-wide">{about.data?.join_code}</strong>
                  <Link className="btn btn-sm" to={paths.to("people")}>
                    {t("guide-show-qr-code")}
                  </Link>
                </>
              );
            case "coupon":
              return (
                <Link className="btn btn-sm" to={paths.to("assign")}>
                  {t("guide-choose-coupon")}
                </Link>
              );
            case "photo":
              return (
                <button
                  className="btn btn-sm"
                  disabled={sample.isPending || steps.some((step) => step.key === "coupon" && !step.done)}
                  onClick={() => sample.mutate()}
                >
                  {t("guide-send-sample-bead")}
                </button>
              );
            default:
              return attempt === null ? null : (
                <Link className="btn btn-sm" to={paths.attempt(attempt)}>
                  {t("guide-mark-it")}
                </Link>
              );
          }
        }}
      />
      <Problem error={tick.error ?? sample.error} />
    </>
  );
}
