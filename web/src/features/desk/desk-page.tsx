import { Say, t } from "../../catalogue";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { vocabulary } from "../../api/generated-vocabulary";
import { ChoiceField } from "../../ui/choice-field";
import { useAboutCourse, useCourse, usePaths } from "../../domain/course";
import { Picker } from "../../ui/panel";
import { Empty, Loading, Problem } from "../../ui/states";
import { useGiven } from "../../domain/use-given";
import { useReferences } from "../../domain/use-references";
import { dateWords } from "../../domain/words";
import { useDesk, useLow, useWaiting, type Order } from "./queries";
import { FirstSteps } from "./first-steps";
import { Waiting } from "./waiting";

export function DeskPage() {
  const [params, setParams] = useSearchParams();
  const order = (params.get("order") ?? "waited") as Order;
  const only = params.get("assignment");
  const desk = useDesk();
  const waiting = useWaiting(order, only === null ? null : Number(only));
  if (desk.isPending || waiting.isPending) return <Loading />;
  if (desk.isError || waiting.isError) {
    const again = () => {
      void desk.refetch();
      void waiting.refetch();
    };
    return <Problem error={desk.error ?? waiting.error} again={again} />;
  }
  const { attempts, count } = waiting.data;
  const turn = (key: string, value: string) => {
    const next = new URLSearchParams(params);
    if (value === "") next.delete(key);
    else next.set(key, value);
    setParams(next, { replace: true });
  };
  return (
    <div className="grid gap-5 xl:grid-cols-[1fr_19rem]">
      <section>
        <h1 className="text-2xl font-bold">{t("common-to-mark")}</h1>
        <FirstSteps />
        <Begin />
        <Low />
        <p className="mb-3" role="status">
          {t("desk-ready-to-mark-marked-not-returned", {
            to_mark: desk.data.to_mark,
            to_return: desk.data.to_return,
            welding: desk.data.welding,
          })}
          {desk.data.measuring > 0 && (
            <span className="ml-2 font-semibold">
              <span className="loading loading-xs loading-dots" aria-hidden />{" "}
              {t("desk-being-measured", { measuring: desk.data.measuring })}
            </span>
          )}
        </p>
        <Filters order={order} only={only} turn={turn} />
        {attempts.length === 0 ? (
          <Empty>{t("desk-nothing-to-mark-new-photos-appear")}</Empty>
        ) : (
          <ul className="space-y-2">
            {attempts.map((a) => (
              <li key={a.id}>
                <Waiting attempt={a} search={params.toString()} />
              </li>
            ))}
          </ul>
        )}
        {count > attempts.length && (
          <p className="mt-2">
            {t("desk-more-appear-when-these-are-marked", { count: count - attempts.length })}
          </p>
        )}
      </section>
      <aside>
        <h2 className="mb-2 text-lg font-bold">{t("common-students")}</h2>
        <Students students={desk.data.students} />
        <Handouts />
      </aside>
    </div>
  );
}

/** Somebody new to marking begins with the reference beads. */
function Begin() {
  const paths = usePaths();
  const assistant = useCourse().role === "assistant";
  const references = useReferences(assistant);
  if (!references.data || references.data.tested || references.data.references.length === 0) return null;
  return (
    <p role="note" className="mb-2 rounded-box bg-base-100 p-2 text-sm">
      <Say
        id="desk-new-here-start-with-the-reference"
        elems={{ go: <Link className="link" to={paths.to("markers")} /> }}
      />
    </p>
  );
}

/** What runs out or leaks, so that it is ordered in time. */
function Low() {
  const paths = usePaths();
  const low = useLow();
  if (!low.data || low.data.lines.length === 0) return null;
  return (
    <details className="mb-2 rounded-box bg-base-100 p-2 text-sm">
      <summary className="cursor-pointer font-semibold text-error">
        {t("desk-low-stock", { count: low.data.lines.length })}
      </summary>
      <ul className="list-disc pl-5">
        {low.data.lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <Link className="link" to={paths.to("stock")}>
        {t("desk-open-stock")}
      </Link>
    </details>
  );
}

type FilterProps = { order: Order; only: string | null; turn: (key: string, value: string) => void };

/** Sort by, and of which coupon; both stay in the address. */
function Filters({ order, only, turn }: FilterProps) {
  const given = useGiven();
  return (
    <div className="mb-2 flex flex-wrap items-end gap-3">
      <Picker
        label={t("common-sort-by")}
        options={vocabulary.orders}
        words={(one) => t(`order-${one}`)}
        value={order}
        choose={(one) => turn("order", one === "waited" ? "" : one)}
      />
      <div className="min-w-56">
        <ChoiceField
          label={t("desk-show-one-coupon")}
          value={only ?? ""}
          empty={t("desk-all-coupons")}
          options={(given.data ?? []).map((a) => String(a.id))}
          words={(id) => given.data?.find((a) => String(a.id) === id)?.design.title ?? id}
          onChange={(id) => turn("assignment", id)}
        />
      </div>
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
              {s.last_worked_at ? dateWords(s.last_worked_at) : t("common-no-attempts-yet")}
              {s.overdue > 0 && (
                <span className="block font-semibold text-error">
                  {t("desk-overdue", { overdue: s.overdue })}
                </span>
              )}
              {s.stuck && (
                <span className="block font-semibold text-secondary">{t("desk-not-welded-lately")}</span>
              )}
            </span>
          </Link>
        </li>
      ))}
    </ul>
  );
}

/** What is printed to measure by, and what it is called. */
const CARDS = [
  ["window", "desk-window"],
  ["strip", "common-strip"],
  ["long_strip", "desk-long-strip"],
  ["target", "desk-target"],
] as const;
const PAPERS = [
  ["", "A4"],
  ["?paper=letter", t("common-letter")],
] as const;

function Handouts() {
  const paths = usePaths();
  const about = useAboutCourse();
  return (
    <>
      {about.data?.join_code && (
        <p className="mt-3 text-sm">
          <Say
            id="desk-join-code-for-new-students-people"
            vars={{ join_code: about.data.join_code }}
            elems={{
              strong: <strong />,
              go: <Link className="link" to={paths.to("people")} />,
              go2: <Link className="link" to={paths.to("records")} />,
            }}
          />
        </p>
      )}
      <p className="mt-1 text-sm">
        {t("desk-scale-cards")}{" "}
        {PAPERS.map(([query, paper], i) => (
          <span key={paper}>
            {i > 0 && "; "}
            {CARDS.map(([kind, word], k) => (
              <span key={kind}>
                {k > 0 && ", "}
                <a className="link" href={`/api/scale-card/${kind}${query}`}>
                  {t(word)}
                </a>
              </span>
            ))}{" "}
            ({paper})
          </span>
        ))}
      </p>
    </>
  );
}
