import { Say, t } from "../../catalogue";
import { Hammer } from "lucide-react";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useAboutCourse, useDesigns, usePaths } from "../../domain/course";
import { Picker } from "../../ui/panel";
import { Empty, Loading, Problem } from "../../ui/states";
import { useGiven } from "../../domain/use-given";
import { useShowCoupon } from "./queries";
import { choiceWords, dateWords, fieldWords, finishWords, optionsOf } from "../../domain/words";
import { ChoiceField } from "../../ui/choice-field";
import { AssignForm } from "./assign-form";
import { DesignCard } from "./design-card";
import { climb, fitting, NO_FILTER, type Filter, type Sequence } from "./sequence";

type Design = Schemas["LibraryDesign"];

export function AssignPage() {
  const paths = usePaths();
  const [params] = useSearchParams();
  const [chosen, setPicked] = useState<Design | null | undefined>(undefined);
  const [turned, setSequence] = useState<Sequence | null>(null);
  const [last, setLast] = useState<Schemas["Assignment"] | null>(null);
  const [filter, setFilter] = useState(NO_FILTER);
  const about = useAboutCourse();
  const designs = useDesigns();
  const given = useGiven();
  if (designs.isPending || given.isPending || about.isPending) return <Loading />;
  if (designs.isError || given.isError) {
    const again = () => {
      void designs.refetch();
      void given.refetch();
    };
    return <Problem error={designs.error ?? given.error} again={again} />;
  }
  const sequence: Sequence = turned ?? about.data?.schools.sequence ?? "stainless";
  const linked = designs.data.find((d) => String(d.id) === params.get("give")) ?? null;
  const picked = chosen === undefined ? linked : chosen;
  const shown = fitting(climb(designs.data, sequence), filter);
  const people = params.get("to")?.split(",").map(Number) ?? null;
  return (
    <div className="grid gap-6 lg:grid-cols-[1fr_24rem]">
      <section>
        <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
          <h1 className="text-2xl font-bold">{t("common-coupon-library")}</h1>
          <Link className="btn" to={paths.to("builder")}>
            <Hammer size={18} aria-hidden /> {t("common-build-a-coupon")}
          </Link>
          <span className="flex gap-4">
            <Link className="link" to={paths.to("schools")}>
              {t("common-course-methods")}
            </Link>
            <Link className="link" to={paths.to("schemes")}>
              {t("common-marking-schemes")}
            </Link>
          </span>
          <Picker
            label={t("common-coupon-sequence")}
            size=""
            options={optionsOf("sequence") as Sequence[]}
            words={(name) => choiceWords("sequence", name)}
            value={sequence}
            choose={setSequence}
          />
        </div>
        <Filters designs={designs.data} filter={filter} change={setFilter} />
        {shown.length === 0 && <Empty>{t("assign-no-coupon-fits-choose-fewer-filters")}</Empty>}
        <ol className="grid gap-2 md:grid-cols-2">
          {shown.map((d) => (
            <DesignCard
              key={d.id}
              design={d}
              sequence={sequence}
              picked={picked?.id === d.id}
              pick={() => setPicked(d)}
            />
          ))}
        </ol>
        <h2 className="mt-6 mb-2 text-lg font-bold">{t("assign-assigned-coupons")}</h2>
        <Given assignments={given.data} />
      </section>
      {picked ? (
        <AssignForm
          key={picked.id}
          design={picked}
          usual={about.data?.schools.finish ?? "warm"}
          to={picked === linked ? people : null}
          done={(assigned) => {
            setLast(assigned ?? null);
            setPicked(null);
          }}
        />
      ) : (
        <div className="space-y-3">
          {last && (
            <p role="status" className="rounded-box border border-success bg-base-100 p-3">
              {t("assign-assigned", {
                title: last.design.title,
                count: last.students,
                due: dateWords(last.due_on),
              })}
            </p>
          )}
          <Empty>{t("assign-select-a-coupon-to-assign-it")}</Empty>
        </div>
      )}
    </div>
  );
}

const PASSED = { some: t("assign-by-someone"), none: t("assign-by-no-one-yet") };

type FilterProps = { designs: Design[]; filter: Filter; change: (filter: Filter) => void };

/** Fewer coupons: by metal, joint, position and who has passed; only what the library has is offered. */
function Filters({ designs, filter, change }: FilterProps) {
  return (
    <div className="mb-2 flex flex-wrap items-end gap-2">
      {(["metal", "joint", "position"] as const).map((key) => (
        <div key={key} className="w-36">
          <ChoiceField
            label={fieldWords(key)}
            value={filter[key]}
            empty={t("assign-any")}
            options={[...new Set(designs.map((d) => d[key]))]}
            words={(code) => choiceWords(key, code)}
            onChange={(code) => change({ ...filter, [key]: code })}
          />
        </div>
      ))}
      <div className="w-36">
        <ChoiceField
          label={t("assign-passed")}
          value={filter.passed}
          empty={t("assign-any")}
          options={Object.keys(PASSED)}
          words={(code) => PASSED[code as keyof typeof PASSED]}
          onChange={(passed) => change({ ...filter, passed })}
        />
      </div>
    </div>
  );
}

function Given({ assignments }: { assignments: Schemas["Assignment"][] }) {
  const show = useShowCoupon();
  if (assignments.length === 0) return <Empty>{t("assign-no-coupons-assigned-yet-select-a")}</Empty>;
  return (
    <>
      <Problem error={show.error} />
      <table className="table rounded-box border border-base-300 bg-base-100">
        <thead>
          <tr>
            {[
              t("common-coupon"),
              t("assign-finish"),
              t("assign-passes-in-a-row"),
              t("common-students"),
              t("assign-due"),
              t("assign-for-the-wall"),
              t("assign-demonstrate"),
            ].map((words) => (
              <th key={words}>{words}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {assignments.map((a) => (
            <tr key={a.id}>
              <td>{a.design.title}</td>
              <td>{finishWords(a.finish)}</td>
              <td>{a.good_in_a_row}</td>
              <td>{a.students}</td>
              <td>{dateWords(a.due_on)}</td>
              <td>
                <a className="link" href={`/api/assignments/${String(a.id)}/job.pdf`}>
                  <Say
                    id="assign-job-sheet-of"
                    vars={{ title: a.design.title }}
                    elems={{ span: <span className="sr-only" /> }}
                  />
                </a>
              </td>
              <td>
                <button className="btn btn-sm" disabled={show.isPending} onClick={() => show.mutate(a.id)}>
                  {t("trials-show-coupon")}
                  <span className="sr-only"> {a.design.title}</span>
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
