import { t } from "../../catalogue";
import { useState } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { Field } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useSheet, type Line, type SheetFile } from "./queries";

const counted = (lines: Line[]) =>
  vocabulary.outcomes
    .map((outcome) => [outcome, lines.filter((line) => line.outcome === outcome).length] as const)
    .filter(([, count]) => count > 0)
    .map(([outcome, count]) => `${String(count)} ${t(`outcome-${outcome}`)}`)
    .join(", ");

/** A table that comes in: first what each line would do, then all of it or nothing. */
export function BringIn({ sheet }: { sheet: string }) {
  const { foresee, put } = useSheet(sheet);
  const [file, setFile] = useState<SheetFile | null>(null);
  const result = put.data ?? foresee.data;
  const refused = result?.lines.some((line) => line.outcome === "refused") ?? false;
  const choose = async (chosen: File | undefined) => {
    if (!chosen) return;
    // Read now: the file may change before it is kept.
    const read = { name: chosen.name, data: await chosen.arrayBuffer() };
    put.reset();
    setFile(read);
    foresee.mutate(read);
  };
  return (
    <Panel className="space-y-3" aria-label={t("records-import")}>
      <h2 className="text-lg font-bold">{t("records-import")}</h2>
      <Field label={t("records-csv-file-commas-or-semicolons")}>
        <input
          type="file"
          accept=".csv,.tsv,.txt,text/csv"
          className="file-input w-full max-w-md"
          onChange={(e) => {
            void choose(e.target.files?.[0]);
            e.target.value = "";
          }}
        />
      </Field>
      <Problem error={foresee.error ?? put.error} />
      {result && file && (
        <>
          <p role="status">
            <strong>{file.name}</strong>: {counted(result.lines) || t("records-the-file-is-empty")}.{" "}
            {result.kept
              ? t("records-import-finished")
              : refused
                ? t("records-nothing-was-imported-fix-the-file")
                : t("records-nothing-is-imported-yet")}
          </p>
          {!result.kept && (
            <button
              className="btn btn-primary"
              disabled={refused || result.lines.length === 0 || put.isPending}
              onClick={() => put.mutate(file)}
            >
              {t("records-import-all")}
            </button>
          )}
          <Lines lines={result.lines} />
        </>
      )}
    </Panel>
  );
}

const MARKS = { made: "badge-success", changed: "badge-info", same: "badge-ghost", refused: "badge-error" };

function Lines({ lines }: { lines: Line[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="table table-sm">
        <thead>
          <tr>
            <th scope="col">{t("records-line")}</th>
            <th scope="col">{t("records-result")}</th>
            <th scope="col">{t("records-record")}</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.line}>
              <td>{line.line}</td>
              <td>
                <span className={`badge badge-sm ${MARKS[line.outcome]}`}>
                  {t(`outcome-${line.outcome}`)}
                </span>
              </td>
              <td>
                {line.what}
                {line.problems.map((problem) => (
                  <span key={problem.field} className="block">
                    {problem.message}
                  </span>
                ))}
                {line.hand_over && (
                  <span className="block break-all">
                    {t("records-give-this-link-to-the-student", { hand_over: line.hand_over })}
                  </span>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
