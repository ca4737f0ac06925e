import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../ui/course";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { Grid } from "./grid";
import { useStandings } from "./queries";

type Standing = Schemas["StandingAt"];

/** Who may climb, with the next coupon one click away, and who is stuck, with the likeliest cause. */
export function Standings() {
  const standings = useStandings();
  if (standings.isPending) return <Loading what="how everybody stands" />;
  if (standings.isError) return <Problem error={standings.error} again={() => void standings.refetch()} />;
  const ready = standings.data.filter((s) => s.forecast.ready);
  // Who is ready for a later coupon has got over an earlier one.
  const stuck = standings.data.filter(
    (s, i) =>
      s.stuck && !standings.data.slice(i + 1).some((t) => t.student.id === s.student.id && t.forecast.ready),
  );
  return (
    <>
      <div className="mb-4 grid gap-4 lg:grid-cols-2">
        <Panel tight aria-label="May climb">
          <h2 className="font-bold">May climb</h2>
          {ready.length === 0 && <p className="quiet">Nobody yet.</p>}
          <ul className="divide-y divide-base-300">
            {newestOf(ready).map((s) => (
              <Row key={key(s)} standing={s}>
                {s.next_rung && <GiveNext rung={s.next_rung} />}
              </Row>
            ))}
          </ul>
        </Panel>
        <Panel tight aria-label="Stuck">
          <h2 className="font-bold">Stuck</h2>
          {stuck.length === 0 && <p className="quiet">Nobody.</p>}
          <ul className="divide-y divide-base-300">
            {newestOf(stuck).map((s) => (
              <Row key={key(s)} standing={s}>
                <span className="text-sm font-semibold text-secondary">
                  {s.failed_in_a_row > 0 && `failed ${String(s.failed_in_a_row)} in a row`}
                  {s.cause && ` – ${s.cause.toLowerCase()}`}
                </span>
              </Row>
            ))}
          </ul>
        </Panel>
      </div>
      <Grid standings={standings.data} />
    </>
  );
}

const key = (s: Standing) => `${String(s.student.id)}-${String(s.forecast.assignment)}`;

/** Of each student only the newest coupon. */
function newestOf(standings: Standing[]): Standing[] {
  const last = new Map(standings.map((s) => [s.student.id, s]));
  return [...last.values()];
}

function Row({ standing, children }: { standing: Standing; children: React.ReactNode }) {
  const paths = usePaths();
  const { student, forecast } = standing;
  return (
    <li className="flex flex-wrap items-baseline justify-between gap-x-3 py-1">
      <span>
        <Link className="font-medium hover:underline" to={paths.student(student.id)}>
          {student.display_name}
        </Link>
        , {forecast.title}
      </span>
      {children}
      <span className="quiet basis-full text-xs">{forecast.words}</span>
    </li>
  );
}

function GiveNext({ rung }: { rung: Schemas["Rung"] }) {
  const paths = usePaths();
  return (
    <Link className="link text-sm" to={`${paths.to("assign")}?give=${String(rung.id)}`}>
      give {rung.title}
    </Link>
  );
}
