import { t } from "../../catalogue";
import { useCourse } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useEngines } from "./queries";

/** Whether figures of an earlier engine are left, and measuring them again in the background. */
export function Engines() {
  const mine = useCourse().role === "instructor";
  const { read, start, stop } = useEngines(true);
  if (!read.data) return <Problem error={read.error} />;
  const { present, outdated, corrected, running, done, total } = read.data;
  return (
    <Panel tight aria-label={t("reports-measurement-version")} className="space-y-2">
      <h2 className="font-bold">{t("reports-measurement-version")}</h2>
      <p className="text-sm" role="status">
        {outdated === 0
          ? t("reports-all-photos-were-measured-with-the", { present })
          : t("reports-photos-were-measured-with-a-version", { outdated, present })}
        {corrected > 0 && ` ${t("reports-with-manual-corrections-stay-as-they", { corrected })}`}
      </p>
      {running && (
        <>
          <progress
            className="progress w-full progress-primary"
            value={done}
            max={total}
            aria-label={t("reports-measured-again")}
          />
          <p className="text-sm">{t("reports-of-measured-again", { done, total })}</p>
        </>
      )}
      <Problem error={start.error ?? stop.error} />
      {mine && !running && outdated > 0 && (
        <button className="btn btn-sm" disabled={start.isPending} onClick={() => start.mutate()}>
          {t("reports-measure-all-again-with-version", { present })}
        </button>
      )}
      {mine && running && (
        <button className="btn btn-sm" disabled={stop.isPending} onClick={() => stop.mutate()}>
          {t("reports-stop-measuring")}
        </button>
      )}
    </Panel>
  );
}
