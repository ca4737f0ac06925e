import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { useAboutCourse, usePaths } from "../../ui/course";
import { Empty, Loading, Problem } from "../../ui/states";
import { dateWords } from "../../ui/words";
import { useDesk, useWaiting } from "./queries";
import { Waiting } from "./waiting";

export function DeskPage() {
  const desk = useDesk();
  const waiting = useWaiting();
  if (desk.isPending || waiting.isPending) return <Loading what="today's desk" />;
  if (desk.isError || waiting.isError) {
    const again = () => {
      void desk.refetch();
      void waiting.refetch();
    };
    return <Problem error={desk.error ?? waiting.error} again={again} />;
  }
  const { results } = waiting.data;
  const count = desk.data.to_mark + desk.data.to_return;
  return (
    <div className="grid gap-5 xl:grid-cols-[1fr_19rem]">
      <section>
        <h1 className="text-2xl font-bold">On the desk</h1>
        <p className="mb-3" role="status">
          {desk.data.to_mark} to mark · {desk.data.to_return} marked but not returned · {desk.data.welding} at
          the booths
          {desk.data.measuring > 0 && (
            <span className="ml-2 font-semibold">
              <span className="loading loading-xs loading-dots" aria-hidden /> {desk.data.measuring} being
              measured
            </span>
          )}
        </p>
        {results.length === 0 ? (
          <Empty>Nothing waits for a mark. New photos appear here by themselves.</Empty>
        ) : (
          <ul className="space-y-2">
            {results.map((a) => (
              <li key={a.id}>
                <Waiting attempt={a} />
              </li>
            ))}
          </ul>
        )}
        {count > results.length && (
          <p className="mt-2">The {count - results.length} that came last follow when these are done.</p>
        )}
      </section>
      <aside>
        <h2 className="mb-2 text-lg font-bold">Students</h2>
        <Students students={desk.data.students} />
        <Handouts />
      </aside>
    </div>
  );
}

function Students({ students }: { students: Schemas["Standing"][] }) {
  const paths = usePaths();
  return (
    <ul className="divide-y divide-base-300 rounded-box border border-base-300 bg-base-100">
      {students.map((s) => (
        <li key={s.student.id}>
          <Link
            className="flex items-baseline justify-between gap-2 px-3 py-2 hover:bg-base-200"
            to={paths.student(s.student.id)}
          >
            <span className="font-medium">{s.student.display_name}</span>
            <span className="text-right text-sm">
              {s.last_worked_at ? dateWords(s.last_worked_at) : "nothing yet"}
              {s.overdue > 0 && <span className="block font-semibold text-error">{s.overdue} overdue</span>}
              {s.stuck && <span className="block font-semibold text-secondary">has not welded lately</span>}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

const PAPERS = [
  ["", "A4"],
  ["?paper=letter", "Letter"],
] as const;

function Handouts() {
  const about = useAboutCourse();
  return (
    <>
      {about.data?.join_code && (
        <p className="mt-3 text-sm">
          New students join with the code <strong>{about.data.join_code}</strong>.
        </p>
      )}
      <p className="mt-1 text-sm">
        Scale cards:{" "}
        {PAPERS.map(([query, paper], i) => (
          <span key={paper}>
            {i > 0 && "; "}
            <a className="link" href={`/api/scale-card/window${query}`}>
              window
            </a>
            ,{" "}
            <a className="link" href={`/api/scale-card/strip${query}`}>
              strip
            </a>{" "}
            ({paper})
          </span>
        ))}
      </p>
    </>
  );
}
