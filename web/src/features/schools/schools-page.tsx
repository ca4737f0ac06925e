import { Say, t } from "../../catalogue";
import { vocabulary } from "../../api/generated-vocabulary";
import { useAboutCourse, useCourse } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { choiceWhy, choiceWords, fieldWords, hasWhy, optionsOf } from "../../domain/words";
import { useChangeSchools } from "./queries";

/** Where practitioners disagree: what this course does. */
export function SchoolsPage() {
  const course = useCourse();
  const read = useAboutCourse();
  const change = useChangeSchools();
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const mine = course.role === "instructor";
  const schools = { ...read.data.schools, ...(change.isPending ? change.variables : {}) };
  return (
    <div className="mx-auto max-w-4xl">
      <h1 className="text-2xl font-bold">{t("common-course-methods")}</h1>
      <p className="mb-3">
        {t("schools-experienced-welders-differ-on-these-setup")}{" "}
        {!mine && `${t("schools-only-the-instructor-can-change-them")} `}
        <Say
          id="schools-join-code"
          vars={{ join_code: read.data.join_code ?? "" }}
          elems={{ strong: <strong /> }}
        />
      </p>
      <Problem error={change.error} />
      <div className="gap-3 md:columns-2">
        {vocabulary.schools.map((key) => (
          <Panel key={key} as="fieldset" tight className="mb-3 break-inside-avoid">
            <legend className="px-1 font-bold">{fieldWords(key)}</legend>
            {optionsOf(key).map((value) => (
              <label key={value} className="flex min-h-11 items-start gap-3 py-1">
                <input
                  type="radio"
                  className="radio mt-0.5"
                  name={key}
                  disabled={!mine || change.isPending}
                  checked={schools[key] === value}
                  onChange={() => change.mutate({ [key]: value })}
                />
                <span>
                  <span className="font-medium">{choiceWords(key, value)}</span>
                  {hasWhy(key, value) && <span className="quiet block text-sm">{choiceWhy(key, value)}</span>}
                </span>
              </label>
            ))}
          </Panel>
        ))}
      </div>
    </div>
  );
}
