import { Say, t } from "../../catalogue";
import { useState } from "react";
import { vocabulary } from "../../api/generated-vocabulary";
import { useCourse } from "../../domain/course";
import { Panel, Picker } from "../../ui/panel";
import { BringIn } from "./bring-in";

export type SheetName = (typeof vocabulary.sheets)[number];

/** The course's tables out to a spreadsheet and back, and all of it as an archive. */
export function RecordsPage() {
  const { id, role } = useCourse();
  const instructor = role === "instructor";
  // Who takes part is the instructor's to say.
  const names = vocabulary.sheets.filter((name) => instructor || name !== "people");
  const [sheet, setSheet] = useState<SheetName>(names[0] ?? "runs");
  const root = `/api/courses/${String(id)}`;
  return (
    <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <section className="space-y-3">
        <h1 className="text-2xl font-bold">{t("records-import-and-export")}</h1>
        <Picker
          label={t("records-table")}
          options={names}
          words={(one) => t(`sheet-${one}`)}
          value={sheet}
          choose={setSheet}
        />
        <Panel className="space-y-2" aria-label={t("records-export")}>
          <h2 className="text-lg font-bold">{t("records-export")}</h2>
          <p>{t("records-for-a-spreadsheet-you-can-import", { words: t(`sheet-${sheet}`) })}</p>
          <a className="btn" href={`${root}/sheets/${sheet}.csv`} download>
            {t("records-save-csv", { sheet })}
          </a>
        </Panel>
        <BringIn key={sheet} sheet={sheet} />
      </section>
      {instructor && (
        <Panel tight className="space-y-2" aria-label={t("common-archive")}>
          <h2 className="font-bold">{t("records-whole-course")}</h2>
          <p className="text-sm">
            <Say id="records-one-file-in-open-formats-rows" elems={{ code: <code /> }} />
          </p>
          <a className="btn btn-sm" href={`${root}/archive.zip`} download>
            {t("records-export-archive")}
          </a>
        </Panel>
      )}
    </div>
  );
}
