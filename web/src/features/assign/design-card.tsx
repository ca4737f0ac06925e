import { t } from "../../catalogue";
import { Link } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { useUnits } from "../../domain/use-units";
import { measure } from "../../domain/units";
import { choiceWords } from "../../domain/words";
import { JointSketch } from "../../domain/joint-sketch";
import { stepOf, type Sequence } from "./sequence";

type Props = { design: Schemas["LibraryDesign"]; sequence: Sequence; picked: boolean; pick: () => void };

/** One coupon of the library on its step, to be given or changed. */
export function DesignCard({ design: d, sequence, picked, pick }: Props) {
  const units = useUnits();
  const paths = usePaths();
  const own = d.course ? ` · ${t("assign-this-course-version", { version: d.version ?? 1 })}` : "";
  const what = [
    choiceWords("metal", d.metal ?? ""),
    choiceWords("joint", d.joint),
    choiceWords("position", d.position ?? ""),
    choiceWords("technique", d.technique ?? ""),
    t("assign-bead-width", { target_width_mm: measure(d.target_width_mm, "length", units) }),
  ];
  return (
    <li
      className={
        "grid grid-cols-[1.5rem_5rem_1fr_auto] items-start gap-x-2 rounded-box border bg-base-100 p-3 " +
        (picked ? "border-primary" : "border-base-300")
      }
    >
      <span className="quiet text-lg font-bold">{stepOf(d, sequence) ?? "–"}</span>
      <JointSketch joint={d.joint} thickness_mm={d.thickness_mm} width_mm={d.target_width_mm} />
      <span className="min-w-0">
        <span className="block font-bold">
          {d.title}
          {own}
        </span>
        <span className="quiet block text-sm">{what.join(", ")}</span>
        <span className="block text-sm">{d.purpose}</span>
        {d.passed !== null && d.passed > 0 && (
          <span className="block text-sm font-semibold text-success">
            {t("assign-passed-by", { students: d.passed })}
          </span>
        )}
        {d.usual_faults && (
          <span className="quiet block text-sm">
            {t("assign-common-faults", { usual_faults: d.usual_faults })}
          </span>
        )}
      </span>
      <span className="flex flex-col gap-1">
        <button
          className="btn btn-primary btn-sm"
          aria-label={t("common-assign", { title: d.title })}
          onClick={pick}
        >
          {t("assign-assign-2")}
        </button>
        <Link
          className="btn btn-sm"
          aria-label={t("assign-edit", { title: d.title })}
          to={paths.to(`builder?from=${String(d.id)}`)}
        >
          {t("assign-edit-2")}
        </Link>
      </span>
    </li>
  );
}
