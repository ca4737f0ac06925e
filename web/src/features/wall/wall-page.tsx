import { Link } from "react-router";
import { useCourse } from "../../ui/course";
import { Empty, Loading, Problem } from "../../ui/states";
import { Strip } from "../../ui/strip";
import { useCourseAttempts, type Brief } from "../../ui/use-attempt";
import { dateWords, stateWords } from "../../ui/words";

const NEWEST = 4;

export function WallPage() {
  const course = useCourse();
  const attempts = useCourseAttempts(course.id, { state: ["measured", "marked", "returned"] });
  if (attempts.isPending) return <Loading what="the class wall" />;
  if (attempts.isError) return <Problem error={attempts.error} again={() => void attempts.refetch()} />;
  const byStudent = new Map<number, Brief[]>();
  for (const a of [...attempts.data.results].sort((x, y) => y.created_at.localeCompare(x.created_at))) {
    if (a.measurement?.strip) byStudent.set(a.student.id, [...(byStudent.get(a.student.id) ?? []), a]);
  }
  const rows = [...byStudent.values()].sort((a, b) =>
    (a[0]?.student.display_name ?? "").localeCompare(b[0]?.student.display_name ?? ""),
  );
  if (rows.length === 0)
    return <Empty>No bead has been measured yet. The wall fills as photos come in.</Empty>;
  return (
    <>
      <h1 className="mb-3 text-2xl font-bold">Class wall</h1>
      <div className="grid gap-4 md:grid-cols-2 xl:grid-cols-3">
        {rows.map((row) => (
          <section
            key={row[0]?.student.id}
            className="min-w-0 rounded-box border border-base-300 bg-base-100 p-3"
          >
            <h2 className="mb-2 font-bold">
              <Link
                className="hover:underline"
                to={`../student/${String(row[0]?.student.id)}`}
                relative="path"
              >
                {row[0]?.student.display_name}
              </Link>
            </h2>
            <ol className="space-y-1.5">
              {row.slice(0, NEWEST).map((a) => (
                <li key={a.id}>
                  <Link className="block overflow-hidden" to={`../attempt/${String(a.id)}`} relative="path">
                    <span className="flex justify-between text-xs">
                      <span>
                        {dateWords(a.created_at)} · {a.assignment.design.title}
                      </span>
                      <span className="font-semibold">
                        {a.mark_total === null ? stateWords[a.state] : a.mark_total.toFixed(0)}
                      </span>
                    </span>
                    {a.measurement?.strip && (
                      <Strip
                        strip={a.measurement.strip}
                        perMm={3.9}
                        label={`Strip of ${dateWords(a.created_at)}`}
                      />
                    )}
                  </Link>
                </li>
              ))}
            </ol>
          </section>
        ))}
      </div>
    </>
  );
}
