import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../ui/course";
import { Panel } from "../../ui/panel";
import { StackedStrips } from "../../ui/stacked-strips";
import { Empty, Loading, Problem } from "../../ui/states";
import { useSession } from "../../ui/use-session";
import { SteadinessPlot, TintPlot } from "./plots";
import { GoesOn } from "./goes-on";
import { useForecasts, useProgress } from "./queries";

export function MyTimePage() {
  const session = useSession();
  return session.data ? <OverTime studentId={session.data.id} mine /> : <Loading what="your beads" />;
}

export function StudentTimePage() {
  const { studentId } = useParams();
  return <OverTime studentId={Number(studentId)} />;
}

function OverTime({ studentId, mine = false }: { studentId: number; mine?: boolean }) {
  const progress = useProgress(studentId);
  const forecasts = useForecasts(studentId);
  if (progress.isPending) return <Loading what="the beads so far" />;
  if (progress.isError) return <Problem error={progress.error} again={() => void progress.refetch()} />;
  return (
    <div className="space-y-5">
      <h1 className="text-2xl font-bold">{mine ? "How it goes" : progress.data.student.display_name}</h1>
      {progress.data.series.length === 0 && <Empty>No bead has been photographed yet.</Empty>}
      {[...progress.data.series].reverse().map((series) => (
        <Series
          key={series.assignment.id}
          series={series}
          goesOn={forecasts.data?.find((f) => f.assignment === series.assignment.id)}
        />
      ))}
    </div>
  );
}

type SeriesProps = { series: Schemas["Series"]; goesOn: Schemas["Forecast"] | undefined };

function Series({ series, goesOn }: SeriesProps) {
  const paths = usePaths();
  const [first, last] = [
    series.attempts.filter((a) => a.measurement?.strip)[0],
    series.attempts.filter((a) => a.measurement?.strip).at(-1),
  ];
  const { assignment } = series;
  return (
    <Panel>
      <h2 className="text-xl font-bold">{assignment.design.title}</h2>
      <p className="mb-3">
        <strong>
          {series.good_in_a_row} of {assignment.good_in_a_row}
        </strong>{" "}
        good ones in a row. {trendWords("Width", series.width_cv_trend)}{" "}
        {trendWords("Ripples", series.pitch_cv_trend)}
        {first && last && first.id !== last.id && (
          <>
            {" "}
            <Link className="link" to={paths.compare(first.id, last.id)}>
              Lay the first and the last over one another
            </Link>
          </>
        )}
      </p>
      {goesOn && goesOn.attempts > 0 && <GoesOn forecast={goesOn} />}
      <div className="grid gap-5 xl:grid-cols-2">
        <div className="min-w-0">
          <StackedStrips
            attempts={[...series.attempts].reverse()}
            link={(a, children) => (
              <Link className="block" to={paths.attempt(a.id)}>
                {children}
              </Link>
            )}
          />
        </div>
        <div className="min-w-0 space-y-4">
          <SteadinessPlot series={series} />
          <TintPlot series={series} />
        </div>
      </div>
    </Panel>
  );
}

function trendWords(what: string, trend: number | null): string {
  if (trend === null) return "";
  const points = Math.abs(trend * 100);
  if (points < 0.2) return `${what}: as before.`;
  return `${what}: ${trend < 0 ? "steadier" : "less steady"} by ${points.toFixed(1)} points an attempt.`;
}
