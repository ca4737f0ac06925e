import { t } from "../../catalogue";
import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { TablesSwitch } from "../../ui/plot-frame";
import { StackedStrips } from "../../domain/stacked-strips";
import { Empty, Loading, Problem } from "../../ui/states";
import { useSession } from "../../domain/use-session";
import { Changes } from "./changes";
import { Coupon } from "./coupon";
import { FaultCalendar } from "./fault-calendar";
import { ProppedHands } from "./propped";
import { Sequence } from "./sequence";
import { useForecasts, useProgress } from "./queries";

export function MyTimePage() {
  const session = useSession();
  return session.data ? <OverTime studentId={session.data.id} mine /> : <Loading />;
}

export function StudentTimePage() {
  const { studentId } = useParams();
  return <OverTime studentId={Number(studentId)} />;
}

/** A student's story on one screen: sequence, strips by date, where figures go, faults, what was asked to change. */
function OverTime({ studentId, mine = false }: { studentId: number; mine?: boolean }) {
  const paths = usePaths();
  const progress = useProgress(studentId);
  const forecasts = useForecasts(studentId);
  if (progress.isPending) return <Loading />;
  if (progress.isError) return <Problem error={progress.error} again={() => void progress.refetch()} />;
  const { series, student, sequence, changes, propped } = progress.data;
  const attempts = byDate(series);
  return (
    <div className="space-y-3">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h1 className="text-2xl font-bold">{mine ? t("common-my-progress") : student.display_name}</h1>
        <TablesSwitch />
        <Link
          className="link text-sm"
          to={paths.to(mine ? "reports" : `reports?student=${String(studentId)}`)}
        >
          {mine ? t("time-print-my-report") : t("time-print-report")}
        </Link>
      </div>
      <Sequence steps={sequence} />
      {attempts.length === 0 && <Empty>{t("time-no-bead-photos-yet")}</Empty>}
      {attempts.length > 0 && (
        <div className="grid gap-3 lg:grid-cols-[minmax(0,21rem)_minmax(0,1fr)]">
          <Panel tight aria-label={t("time-beads-2")} className="h-fit">
            <StackedStrips
              named
              attempts={[...attempts].reverse()}
              link={(a, children) => (
                <Link className="block" to={paths.attempt(a.id)}>
                  {children}
                </Link>
              )}
            />
          </Panel>
          <div className="min-w-0 space-y-3">
            {[...series].reverse().map((one) => (
              <Coupon
                key={one.assignment.id}
                series={one}
                goesOn={forecasts.data?.find((f) => f.assignment === one.assignment.id)}
              />
            ))}
            <div className="grid gap-3 xl:grid-cols-2">
              <Panel tight aria-label={t("common-faults")}>
                <h2 className="font-bold">{t("time-faults-and-when-each-was-last")}</h2>
                <FaultCalendar attempts={attempts} mine={mine} />
              </Panel>
              <Panel tight aria-label={t("time-changes")}>
                <h2 className="font-bold">
                  {mine ? t("time-changes-you-were-asked-to-make") : t("time-changes-asked-for")}
                </h2>
                <Changes changes={changes} />
              </Panel>
            </div>
            <ProppedHands propped={propped} />
          </div>
        </div>
      )}
    </div>
  );
}

const byDate = (series: Schemas["Series"][]) =>
  series.flatMap((one) => one.attempts).sort((a, b) => a.created_at.localeCompare(b.created_at));
