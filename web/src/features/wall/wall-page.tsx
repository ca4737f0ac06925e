import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../ui/course";
import { Panel } from "../../ui/panel";
import { Empty, Loading, Problem } from "../../ui/states";
import { Strip } from "../../ui/strip";
import { dateWords, stateWords } from "../../ui/words";
import { useWall } from "./queries";
import { Standings } from "./standings";

const PER_MM = 3.9;

export function WallPage() {
  const wall = useWall();
  if (wall.isPending) return <Loading what="the class wall" />;
  if (wall.isError) return <Problem error={wall.error} again={() => void wall.refetch()} />;
  if (wall.data.length === 0)
    return <Empty>No bead has been measured yet. The wall fills as photos come in.</Empty>;
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">Class wall</h1>
      <Standings />
      <div className="grid gap-4 md:grid-cols-2 xl:grid-cols-3">
        {wall.data.map((row) => (
          <Row key={row.student.id} row={row} />
        ))}
      </div>
    </>
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
                  {a.mark_total === null ? stateWords(a.state) : a.mark_total.toFixed(0)}
                </span>
              </span>
              {a.measurement?.strip && (
                <Strip
                  strip={a.measurement.strip}
                  perMm={PER_MM}
                  label={`Strip of ${dateWords(a.created_at)}`}
                />
              )}
            </Link>
          </li>
        ))}
      </ol>
    </Panel>
  );
}
