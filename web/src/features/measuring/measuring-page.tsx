import { t } from "../../catalogue";
import { useCourse } from "../../domain/course";
import { TablesSwitch } from "../../ui/plot-frame";
import { CheckPhone } from "./check-phone";
import { Corrections } from "./corrections";
import { CourseAgreement } from "./course-agreement";
import { RepeatStudies } from "./repeat-study";
import { TintReferences } from "./tint-references";

/**
 * How true measuring is: one's own phone by a printed target and, for those who teach, the course's
 * callipered widths.
 */
export function MeasuringPage() {
  const teaches = useCourse().role !== "student";
  return (
    <div className="mx-auto max-w-5xl space-y-3">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-2xl font-bold">{t("measuring-title")}</h1>
        {teaches && <TablesSwitch />}
      </div>
      <CheckPhone />
      {teaches && <CourseAgreement />}
      {teaches && <Corrections />}
      {teaches && <RepeatStudies />}
      {teaches && <TintReferences />}
    </div>
  );
}
