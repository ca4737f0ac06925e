import { locale, t } from "../../catalogue";
import { useState } from "react";
import { useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { ChoiceField } from "../../ui/choice-field";
import { useCourse } from "../../domain/course";
import { TextField } from "../../ui/field";
import { Panel, Picker } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useSession } from "../../domain/use-session";
import { dateWords } from "../../domain/words";
import { Engines } from "./engines";
import { useStudents } from "../../domain/use-members";
import { useAskReport, useReports } from "./queries";

type Paper = Schemas["ReportRequest"]["paper"];

const PAPERS: readonly Paper[] = ["a4", "letter"];
const paperWords = (paper: string) => (paper === "a4" ? "A4" : t("common-letter"));
const STATES = {
  waiting: t("reports-waiting"),
  making: t("reports-preparing"),
  done: t("reports-ready"),
  failed: t("reports-failed"),
};

/** What is printed: student reports, the class sheet; and which engine made the figures in them. */
export function ReportsPage() {
  const course = useCourse();
  const staff = course.role !== "student";
  const [paper, setPaper] = useState<Paper>(locale === "en-US" ? "letter" : "a4");
  const of = `/api/courses/${String(course.id)}`;
  return (
    <div className="mx-auto max-w-5xl space-y-3">
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="text-2xl font-bold">
          {staff ? t("common-reports-and-sheets") : t("reports-my-report")}
        </h1>
        <Picker
          label={t("reports-paper")}
          options={PAPERS}
          words={paperWords}
          value={paper}
          choose={setPaper}
        />
      </div>
      <div className="grid gap-3 md:grid-cols-2">
        <Ask staff={staff} paper={paper} />
        <div className="space-y-3">
          <Made />
          {staff && (
            <Panel tight aria-label={t("reports-class-sheet")}>
              <h2 className="font-bold">{t("reports-class-sheet")}</h2>
              <p className="flex gap-4">
                <a className="link" href={`${of}/class.pdf?paper=${paper}`}>
                  {t("reports-pdf", { paper: paperWords(paper) })}
                </a>
                <a className="link" href={`${of}/class.csv`} download>
                  {t("common-csv")}
                </a>
              </p>
              <p className="quiet text-sm">{t("reports-job-sheets-are-in-the-coupon")}</p>
            </Panel>
          )}
          {staff && <Engines />}
        </div>
      </div>
    </div>
  );
}

function Ask({ staff, paper }: { staff: boolean; paper: Paper }) {
  const [params] = useSearchParams();
  const session = useSession();
  const students = useStudents(staff);
  const ask = useAskReport();
  const [whose, setWhose] = useState(params.get("student") ?? "");
  const [since, setSince] = useState("");
  const [until, setUntil] = useState("");
  const own = session.data?.id ?? null;
  const student = staff ? (whose === "" ? null : Number(whose)) : own;
  return (
    <Panel
      as="form"
      tight
      className="h-fit space-y-2"
      onSubmit={(e: React.FormEvent) => {
        e.preventDefault();
        ask.mutate({ student, paper, since: since || null, until: until || null });
      }}
    >
      <h2 className="font-bold">{t("reports-student-report")}</h2>
      {staff && (
        <ChoiceField
          label={t("common-student")}
          value={whose}
          empty={t("reports-all-students-one-file")}
          options={(students.data ?? []).map((one) => String(one.id))}
          words={(id) => students.data?.find((one) => String(one.id) === id)?.display_name ?? id}
          onChange={setWhose}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <TextField
          label={t("reports-from-empty-start-of-course")}
          type="date"
          value={since}
          onChange={setSince}
        />
        <TextField label={t("reports-until-empty-today")} type="date" value={until} onChange={setUntil} />
      </div>
      <Problem error={ask.error} />
      <button className="btn btn-primary" disabled={ask.isPending || (!staff && own === null)}>
        {t("reports-create-report")}
      </button>
      <p className="quiet text-sm">{t("reports-sequence-marks-first-and-last-strips")}</p>
    </Panel>
  );
}

function Made() {
  const reports = useReports();
  if (!reports.data) return <Problem error={reports.error} />;
  return (
    <Panel tight aria-label={t("reports-recent-reports")}>
      <h2 className="font-bold">{t("reports-recent-reports")}</h2>
      {reports.data.length === 0 && (
        <p className="quiet text-sm">{t("reports-no-reports-yet-reports-are-kept")}</p>
      )}
      <ul className="divide-y divide-base-300" aria-live="polite">
        {reports.data.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center justify-between gap-2 py-1 text-sm">
            <span>
              {one.student?.display_name ?? t("reports-everybody")}, {paperWords(one.paper)}, {one.period} ·{" "}
              {dateWords(one.asked_at)}
            </span>
            {one.state === "done" ? (
              <a className="btn btn-sm" href={`/api/reports/${String(one.id)}/file`}>
                {t("reports-open")}
              </a>
            ) : (
              <span className="flex items-center gap-2">
                {one.state === "making" && (
                  <progress
                    className="progress w-24 progress-primary"
                    value={one.done}
                    max={one.total}
                    aria-label={t("reports-students-drawn")}
                  />
                )}
                {STATES[one.state]}
              </span>
            )}
          </li>
        ))}
      </ul>
    </Panel>
  );
}
