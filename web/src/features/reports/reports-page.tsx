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
const paperWords = (paper: string) => (paper === "a4" ? "A4" : "Letter");
const STATES = { waiting: "waits", making: "preparing …", done: "ready", failed: "failed" };

/** What is printed: student reports, the class sheet; and which engine made the figures in them. */
export function ReportsPage() {
  const course = useCourse();
  const staff = course.role !== "student";
  const [paper, setPaper] = useState<Paper>("a4");
  const of = `/api/courses/${String(course.id)}`;
  return (
    <div className="mx-auto max-w-5xl space-y-3">
      <div className="flex flex-wrap items-center gap-4">
        <h1 className="text-2xl font-bold">{staff ? "Reports and sheets" : "My report"}</h1>
        <Picker label="Paper" options={PAPERS} words={paperWords} value={paper} choose={setPaper} />
      </div>
      <div className="grid gap-3 md:grid-cols-2">
        <Ask staff={staff} paper={paper} />
        <div className="space-y-3">
          <Made />
          {staff && (
            <Panel tight aria-label="Class sheet">
              <h2 className="font-bold">Class sheet</h2>
              <p className="flex gap-4">
                <a className="link" href={`${of}/class.pdf?paper=${paper}`}>
                  PDF, {paperWords(paper)}
                </a>
                <a className="link" href={`${of}/class.csv`} download>
                  CSV
                </a>
              </p>
              <p className="quiet text-sm">
                Job sheets are in the coupon library, next to each assigned coupon.
              </p>
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
      <h2 className="font-bold">Student report</h2>
      {staff && (
        <ChoiceField
          label="Student"
          value={whose}
          empty="all students, one file"
          options={(students.data ?? []).map((one) => String(one.id))}
          words={(id) => students.data?.find((one) => String(one.id) === id)?.display_name ?? id}
          onChange={setWhose}
        />
      )}
      <div className="grid grid-cols-2 gap-2">
        <TextField label="From (empty: start of course)" type="date" value={since} onChange={setSince} />
        <TextField label="Until (empty: today)" type="date" value={until} onChange={setUntil} />
      </div>
      <Problem error={ask.error} />
      <button className="btn btn-primary" disabled={ask.isPending || (!staff && own === null)}>
        Create report
      </button>
      <p className="quiet text-sm">
        Sequence, marks, first and last strips to scale, measurements with their bands, what to work on, lines
        to sign. Not a certificate.
      </p>
    </Panel>
  );
}

function Made() {
  const reports = useReports();
  if (!reports.data) return <Problem error={reports.error} />;
  return (
    <Panel tight aria-label="Recent reports">
      <h2 className="font-bold">Recent reports</h2>
      {reports.data.length === 0 && (
        <p className="quiet text-sm">No reports yet. Reports are kept for a week.</p>
      )}
      <ul className="divide-y divide-base-300" aria-live="polite">
        {reports.data.map((one) => (
          <li key={one.id} className="flex flex-wrap items-center justify-between gap-2 py-1 text-sm">
            <span>
              {one.student?.display_name ?? "Everybody"}, {paperWords(one.paper)}, {one.period} ·{" "}
              {dateWords(one.asked_at)}
            </span>
            {one.state === "done" ? (
              <a className="btn btn-sm" href={`/api/reports/${String(one.id)}/file`}>
                Open
              </a>
            ) : (
              <span className="flex items-center gap-2">
                {one.state === "making" && (
                  <progress
                    className="progress w-24 progress-primary"
                    value={one.done}
                    max={one.total}
                    aria-label="Students drawn"
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
