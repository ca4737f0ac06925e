import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { FigureList } from "../../ui/figure-list";
import { Panel } from "../../ui/panel";
import { TintBadge } from "../../domain/tint";
import { figure, fineDigits, measure, type Units } from "../../domain/units";
import { useAboutCourse } from "../../domain/course";
import { newest, type Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { percent } from "../../domain/words";

type Props = { report: Schemas["Report"]; engine: string; units: Units };

/** Every figure of the measurement that counts. */
export function FiguresOf({ attempt }: { attempt: Attempt }) {
  const units = useUnits();
  const { measurement } = newest(attempt);
  if (!measurement?.report?.bead) return null;
  return (
    <Panel tight>
      <Figures report={measurement.report} engine={measurement.engine_version} units={units} />
    </Panel>
  );
}

function Figures({ report, engine, units }: Props) {
  const grown = useAboutCourse().data?.width_factor ?? 1;
  const { bead, ripple, tint, scale } = report;
  if (!bead) return null;
  const fine = fineDigits(units);
  const mm = (value: number | null | undefined) => measure(value, "length", units, fine);
  const bare = (value: number) => figure(value, "length", units, fine);
  const { mean, uncertainty, cv } = bead.width_mm;
  const sides = (both: { left: number; right: number }) => `${bare(both.left)} / ${mm(both.right)}`;
  const faults = report.defects?.length ?? 0;
  return (
    <FigureList
      rows={[
        [t("marking-length"), measure(bead.length_mm, "length", units)],
        [t("common-width"), `${bare(mean)} ± ${mm(2 * grown * uncertainty)}`],
        ...(grown > 1
          ? [
              [t("marking-width-grown"), t("marking-width-grown-by", { factor: grown.toFixed(2) })] as [
                string,
                string,
              ],
            ]
          : []),
        [t("common-width-variation"), percent(cv)],
        [t("common-straightness"), mm(bead.straightness_mm)],
        [t("marking-toe-waviness-left-right"), sides(bead.toe_waviness_mm)],
        [
          t("marking-ripples"),
          ripple
            ? t("marking-apart", { count: ripple.count, mm: mm(ripple.pitch_mm) })
            : t("marking-none-distinct"),
        ],
        ...(ripple
          ? [
              [
                t("common-ripple-variation"),
                t("marking-lapses", { cv: percent(ripple.cv), count: ripple.lapses_mm.length }),
              ] as [string, string],
            ]
          : []),
        [t("common-heat-tint"), <TintBadge key="bead" level={tint?.bead.level} />],
        [t("marking-haz-tint"), <TintBadge key="zone" level={tint?.haz.level} />],
        [t("marking-haz-tint-width-left-right"), tint ? sides(tint.width_mm) : "–"],
        [t("common-faults"), faults ? t("marking-see-above", { faults }) : t("common-none-seen")],
        [t("marking-camera-tilt"), scale?.tilt_deg == null ? "–" : `${scale.tilt_deg.toFixed(0)}°`],
        [t("marking-engine"), engine],
      ]}
    />
  );
}
