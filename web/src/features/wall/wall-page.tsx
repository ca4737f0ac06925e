import { t } from "../../catalogue";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { Panel, Picker } from "../../ui/panel";
import { TablesSwitch } from "../../ui/plot-frame";
import { Empty, Loading, Problem } from "../../ui/states";
import { Strip } from "../../domain/strip";
import { dateWords, stateWords } from "../../domain/words";
import { ORDERS, ordered, type Order } from "./order";
import { useStandings, useWall, useWeek } from "./queries";
import { Spread } from "./spread";
import { Grid } from "./grid";
import { MayClimb, Stuck } from "./standings";
import { Week } from "./week";
import { markWords } from "../../domain/units";

const PER_MM = 3.9;

/** The class: what goes wrong this week, who may climb, who is stuck, where everybody stands, their newest beads. */
export function WallPage() {
  const [params, setParams] = useSearchParams();
  const order = (params.get("order") ?? "need") as Order;
  const [wall, standings, week] = [useWall(), useStandings(), useWeek()];
  const failed = [wall, standings, week].find((one) => one.isError);
  if (failed) return <Problem error={failed.error} again={() => void failed.refetch()} />;
  if (!wall.data || !standings.data || !week.data) return <Loading />;
  if (wall.data.length === 0) return <Empty>{t("wall-no-measured-beads-yet-they-appear")}</Empty>;
  return (
    <>
      <div className="mb-2 flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl font-bold">{t("common-class")}</h1>
        <TablesSwitch />
        <Links />
      </div>
      <div className="mb-4 grid gap-4 lg:grid-cols-2">
        <div className="space-y-4">
          <Week week={week.data} />
          <Stuck standings={standings.data} resting={week.data.resting} />
        </div>
        <Panel tight aria-label={t("wall-where-everybody-stands")}>
          <h2 className="font-bold">{t("wall-where-everyone-stands-last-three-beads")}</h2>
          <p className="quiet text-sm">{t("wall-each-dot-is-a-student-further")}</p>
          {week.data.figures.map((one) => (
            <Spread key={one.key} spread={one} />
          ))}
        </Panel>
      </div>
      <MayClimb standings={standings.data} />
      <Grid standings={standings.data} />
      <div className="mb-2">
        <Picker
          label={t("common-sort-by")}
          options={Object.keys(ORDERS) as Order[]}
          words={(one) => ORDERS[one]}
          value={order}
          choose={(one) => setParams({ order: one }, { replace: true })}
        />
      </div>
      <div className="grid gap-4 md:grid-cols-2 xl:grid-cols-3">
        {ordered(wall.data, standings.data, order).map((row) => (
          <Row key={row.student.id} row={row} />
        ))}
      </div>
    </>
  );
}

function Links() {
  const paths = usePaths();
  return (
    <span className="flex gap-4 text-sm">
      <Link className="link" to={paths.to("reports")}>
        {t("common-reports-and-sheets")}
      </Link>
      <Link className="link" to={paths.to("markers")}>
        {t("common-marking-consistency")}
      </Link>
    </span>
  );
}

function Row({ row }: { row: Schemas["WallRow"] }) {
  const paths = usePaths();
  return (
    <Panel tight>
      <h2 className="mb-2 font-bold">
        <Link className="hover:underline" to={paths.student(row.student.id)}>
          {row.student.display_name}
        </Link>
      </h2>
      <ol className="space-y-1.5">
        {row.attempts.map((a) => (
          <li key={a.id}>
            <Link className="block overflow-hidden" to={paths.attempt(a.id)}>
              <span className="flex justify-between text-xs">
                <span>
                  {dateWords(a.created_at)} · {a.assignment.design.title}
                </span>
                <span className="font-semibold">
                  {a.mark_total === null ? stateWords(a.state) : markWords(a.mark_total)}
                </span>
              </span>
              {a.measurement?.strip && (
                <Strip
                  strip={a.measurement.strip}
                  perMm={PER_MM}
                  label={t("shared-strip-of", { words: dateWords(a.created_at) })}
                />
              )}
            </Link>
          </li>
        ))}
      </ol>
    </Panel>
  );
}
