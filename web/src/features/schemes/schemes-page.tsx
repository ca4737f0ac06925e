import { t } from "../../catalogue";
import { useSearchParams } from "react-router";
import { useCourse } from "../../domain/course";
import { Loading, Problem } from "../../ui/states";
import { useSchemes } from "../../domain/use-schemes";
import { useAgreement } from "../../domain/use-agreement";
import { SchemeEditor } from "./scheme-editor";

const ENTRY = "h-auto w-full justify-start py-2 text-left font-normal";

/** How the course marks: its schemes, and changing one. */
export function SchemesPage() {
  const course = useCourse();
  const schemes = useSchemes();
  const [params, setParams] = useSearchParams();
  const wanted = params.has("offer");
  const offers = useAgreement(wanted);
  if (schemes.isPending) return <Loading />;
  if (schemes.isError) return <Problem error={schemes.error} again={() => void schemes.refetch()} />;
  const chosen = schemes.data.find((one) => one.code === params.get("scheme")) ?? schemes.data[0];
  if (wanted && offers.isPending) return <Loading />;
  const offered = offers.data?.offers.find((one) => one.code === chosen?.code)?.scheme;
  return (
    <div className="grid gap-4 lg:grid-cols-[15rem_minmax(0,1fr)]">
      <section>
        <h1 className="mb-2 text-2xl font-bold">{t("common-marking-schemes")}</h1>
        <ul className="space-y-1">
          {schemes.data.map((one) => (
            <li key={one.code}>
              <button
                className={`btn ${ENTRY} ${one === chosen ? "btn-primary" : ""}`}
                aria-pressed={one === chosen}
                onClick={() => setParams({ scheme: one.code })}
              >
                <span>
                  <span className="block font-bold">{one.body.title}</span>
                  <span className="block text-xs">
                    {t(one.own ? "schemes-own-version" : "schemes-version", { version: one.version })}
                    {" · "}
                    {t("schemes-marks", { used: one.used })}
                  </span>
                </span>
              </button>
            </li>
          ))}
        </ul>
        <p className="quiet mt-3 text-sm">{t("schemes-used-versions-cant-be-edited-saving")}</p>
      </section>
      {chosen && (
        <SchemeEditor
          key={`${chosen.code}${String(chosen.version)}${offered ? "offer" : ""}`}
          scheme={chosen}
          offered={offered}
          mine={course.role === "instructor"}
          follow={(code) => setParams({ scheme: code })}
        />
      )}
    </div>
  );
}
