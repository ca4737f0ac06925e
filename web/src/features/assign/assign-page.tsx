import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { Hammer } from "lucide-react";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { api, unwrap, type Schemas } from "../../api/client";
import { useCourse } from "../../ui/course";
import { Empty, Loading, Problem } from "../../ui/states";
import { useUnits } from "../../ui/use-units";
import { figure, measure, shownAs, toSi } from "../../ui/units";
import { choiceWords, dateWords, finishWords, jointWords, positionWords } from "../../ui/words";

import { climb, rungOf, type Ladder } from "./ladder";

type Design = Schemas["Design"];
type Finish = NonNullable<Design["finish"]>;

export function AssignPage() {
  const course = useCourse();
  const units = useUnits();
  const [params] = useSearchParams();
  const [chosen, setPicked] = useState<Design | null | undefined>(undefined);
  const [turned, setLadder] = useState<Ladder | null>(null);
  const about = useQuery({
    queryKey: ["course", course.id],
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}", { params: { path: { course_id: course.id } } })),
  });
  const designs = useQuery({
    queryKey: ["designs", course.id],
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/designs", {
          params: { path: { course_id: course.id }, query: { page_size: 100 } },
        }),
      ),
  });
  const given = useQuery({
    queryKey: ["assignments", course.id],
    queryFn: () =>
      unwrap(api.GET("/api/courses/{course_id}/assignments", { params: { path: { course_id: course.id } } })),
  });
  if (designs.isPending || given.isPending || about.isPending) return <Loading what="the coupon library" />;
  if (designs.isError || given.isError)
    return (
      <Problem
        error={designs.error ?? given.error}
        again={() => {
          void designs.refetch();
          void given.refetch();
        }}
      />
    );
  const ladder = turned ?? about.data?.schools.ladder ?? "stainless";
  const picked =
    chosen === undefined
      ? (designs.data.results.find((d) => String(d.id) === params.get("give")) ?? null)
      : chosen;
  return (
    <div className="grid gap-6 lg:grid-cols-[1fr_24rem]">
      <section>
        <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
          <h1 className="text-2xl font-bold">Coupon library</h1>
          <Link className="btn" to={`/course/${String(course.id)}/builder`}>
            <Hammer size={18} aria-hidden /> Build a coupon
          </Link>
          <Link className="link" to={`/course/${String(course.id)}/schools`}>
            How this course teaches
          </Link>
          <div role="group" aria-label="Ladder" className="join">
            {(["stainless", "carbon"] as const).map((name) => (
              <button
                key={name}
                className={`btn join-item ${ladder === name ? "btn-primary" : ""}`}
                aria-pressed={ladder === name}
                onClick={() => {
                  setLadder(name);
                }}
              >
                {name === "stainless" ? "Stainless first" : "Carbon steel first"}
              </button>
            ))}
          </div>
        </div>
        <ol className="grid gap-2 md:grid-cols-2">
          {climb(designs.data.results, ladder).map((d) => (
            <li
              key={d.id}
              className={`grid grid-cols-[2rem_1fr_auto] items-start gap-x-2 rounded-box border bg-base-100 p-3 ${picked?.id === d.id ? "border-primary" : "border-base-300"}`}
            >
              <span className="quiet text-lg font-bold">{rungOf(d, ladder) ?? "–"}</span>
              <span className="min-w-0">
                <span className="block font-bold">
                  {d.title}
                  {d.course ? ` · this course, version ${String(d.version ?? 1)}` : ""}
                </span>
                <span className="quiet block text-sm">
                  {d.metal}, {jointWords[d.joint]}, {positionWords[d.position]}, {choiceWords[d.technique]},
                  bead {measure(d.target_width_mm, "length", units)} wide
                </span>
                <span className="block text-sm">{d.purpose}</span>
                {d.usual_faults && (
                  <span className="quiet block text-sm">Usual faults: {d.usual_faults}.</span>
                )}
              </span>
              <span className="flex flex-col gap-1">
                <button
                  className="btn btn-primary btn-sm"
                  aria-label={`Give ${d.title}`}
                  onClick={() => {
                    setPicked(d);
                  }}
                >
                  Give
                </button>
                <Link
                  className="btn btn-sm"
                  aria-label={`Change ${d.title}`}
                  to={`/course/${String(course.id)}/builder?from=${String(d.id)}`}
                >
                  Change
                </Link>
              </span>
            </li>
          ))}
        </ol>
        <h2 className="mt-6 mb-2 text-lg font-bold">Given so far</h2>
        {given.data.results.length === 0 ? (
          <Empty>Nothing has been given out in this course yet. Pick a coupon above.</Empty>
        ) : (
          <table className="table rounded-box border border-base-300 bg-base-100">
            <thead>
              <tr>
                <th>Coupon</th>
                <th>Finish</th>
                <th>In a row</th>
                <th>Students</th>
                <th>Due</th>
              </tr>
            </thead>
            <tbody>
              {given.data.results.map((a) => (
                <tr key={a.id}>
                  <td>{a.design.title}</td>
                  <td>{finishWords[a.finish]}</td>
                  <td>{a.good_in_a_row}</td>
                  <td>{a.students}</td>
                  <td>{dateWords(a.due_on)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
      {picked ? (
        <AssignForm
          key={picked.id}
          design={picked}
          finish={about.data?.schools.finish ?? "warm"}
          done={() => {
            setPicked(null);
          }}
        />
      ) : (
        <Empty>Pick a coupon to give it to the class or to some of it.</Empty>
      )}
    </div>
  );
}

function inWeeks(weeks: number): string {
  return new Date(Date.now() + weeks * 7 * 86_400_000).toISOString().slice(0, 10);
}

function AssignForm({ design, finish: usual, done }: { design: Design; finish: Finish; done: () => void }) {
  const course = useCourse();
  const units = useUnits();
  const queries = useQueryClient();
  const students = useQuery({
    queryKey: ["students", course.id],
    queryFn: () =>
      unwrap(
        api.GET("/api/courses/{course_id}/members", {
          params: { path: { course_id: course.id }, query: { page_size: 100 } },
        }),
      ),
  });
  const [width, setWidth] = useState(figure(design.target_width_mm, "length", units));
  const [finish, setFinish] = useState<Finish>(
    design.finish === "warm" || !design.finish ? usual : design.finish,
  );
  const [inARow, setInARow] = useState("3");
  const [dueOn, setDueOn] = useState(inWeeks(2));
  const [some, setSome] = useState<number[] | null>(null);
  const give = useMutation({
    mutationFn: () =>
      unwrap(
        api.POST("/api/courses/{course_id}/assignments", {
          params: { path: { course_id: course.id } },
          body: {
            design: design.id,
            target_width_mm: toSi(width, "length", units) ?? 0,
            finish,
            good_in_a_row: Number(inARow),
            due_on: dueOn,
            students: some,
          },
        }),
      ),
    onSuccess: () => {
      void queries.invalidateQueries({ queryKey: ["assignments"] });
      void queries.invalidateQueries({ queryKey: ["desk"] });
      done();
    },
  });
  const class_ = students.data?.results.filter((m) => m.role === "student") ?? [];
  return (
    <form
      className="h-fit space-y-3 rounded-box border border-primary bg-base-100 p-4 lg:sticky lg:top-4"
      onSubmit={(e) => {
        e.preventDefault();
        give.mutate();
      }}
    >
      <h2 className="text-lg font-bold">Give “{design.title}”</h2>
      <label className="block">
        <span className="mb-1 block font-medium">
          Bead width asked for ({shownAs("length", units).label})
        </span>
        <input
          className="input w-full"
          inputMode="decimal"
          value={width}
          onChange={(e) => {
            setWidth(e.target.value);
          }}
        />
      </label>
      <label className="block">
        <span className="mb-1 block font-medium">Finish goal</span>
        <select
          className="select w-full"
          value={finish}
          onChange={(e) => {
            setFinish(e.target.value as typeof finish);
          }}
        >
          {Object.entries(finishWords).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </select>
      </label>
      <div className="grid grid-cols-2 gap-3">
        <label className="block">
          <span className="mb-1 block font-medium">Good ones in a row</span>
          <input
            className="input w-full"
            type="number"
            min={1}
            max={20}
            value={inARow}
            onChange={(e) => {
              setInARow(e.target.value);
            }}
          />
        </label>
        <label className="block">
          <span className="mb-1 block font-medium">Due</span>
          <input
            className="input w-full"
            type="date"
            value={dueOn}
            onChange={(e) => {
              setDueOn(e.target.value);
            }}
          />
        </label>
      </div>
      <fieldset>
        <legend className="mb-1 font-medium">Who</legend>
        <label className="flex items-center gap-2 py-1">
          <input
            type="radio"
            className="radio"
            name="who"
            checked={some === null}
            onChange={() => {
              setSome(null);
            }}
          />{" "}
          The whole class
        </label>
        <label className="flex items-center gap-2 py-1">
          <input
            type="radio"
            className="radio"
            name="who"
            checked={some !== null}
            onChange={() => {
              setSome([]);
            }}
          />{" "}
          Only some
        </label>
        {some !== null && (
          <ul className="ml-6 max-h-52 overflow-y-auto">
            {class_.map(({ user }) => (
              <li key={user.id}>
                <label className="flex items-center gap-2 py-1">
                  <input
                    type="checkbox"
                    className="checkbox"
                    checked={some.includes(user.id)}
                    onChange={() => {
                      setSome(
                        some.includes(user.id) ? some.filter((i) => i !== user.id) : [...some, user.id],
                      );
                    }}
                  />{" "}
                  {user.display_name}
                </label>
              </li>
            ))}
          </ul>
        )}
      </fieldset>
      <Problem error={give.error} />
      <div className="flex gap-2">
        <button className="btn grow btn-primary" disabled={give.isPending}>
          {give.isPending ? "Giving …" : "Give it out"}
        </button>
        <button type="button" className="btn" onClick={done}>
          Not now
        </button>
      </div>
    </form>
  );
}
