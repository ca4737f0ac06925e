import { t } from "../../catalogue";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useCourse } from "../../domain/course";
import { measure, type Units } from "../../domain/units";
import { useUnits } from "../../domain/use-units";
import { wholePercent } from "../../domain/words";
import { TextField } from "../../ui/field";
import { Panel } from "../../ui/panel";
import { TableHead } from "../../ui/table-head";
import { PlotFrame } from "../../ui/plot-frame";
import { Loading, Problem } from "../../ui/states";
import { useMeasuring } from "./queries";

const [WIDE, TALL, ROOM] = [640, 240, 40];
/** Beside the lines, for what they stand at. */
const MARGIN = 80;

type Measuring = Schemas["Measuring"];

/** Callipered beside measured widths of the course: what it means, each bead, each group. */
export function CourseAgreement() {
  const { read, setShare } = useMeasuring();
  const units = useUnits();
  if (read.isPending) return <Loading />;
  if (read.isError) return <Problem error={read.error} again={() => void read.refetch()} />;
  const { data } = read;
  return (
    <Panel className="space-y-3" aria-label={t("measuring-agreement")}>
      <h2 className="text-lg font-bold">{t("measuring-agreement")}</h2>
      {data.said.map((line) => (
        <p key={line}>{line}</p>
      ))}
      {data.whole && <Points data={data} whole={data.whole} units={units} />}
      {data.groups.length > 0 && <Groups data={data} units={units} />}
      <Share key={data.share} share={data.share} busy={setShare.isPending} set={setShare.mutate} />
      <Problem error={setShare.error} />
    </Panel>
  );
}

type PointsProps = { data: Measuring; whole: Schemas["HeldGroup"]; units: Units };

/** Difference over mean: the middle line is the bias, the outer ones hold 95 of 100 beads. */
function Points({ data, whole, units }: PointsProps) {
  const means = data.points.map((p) => p.mean_mm);
  const [low, high] = [Math.min(...means) - 0.2, Math.max(...means) + 0.2];
  const reach =
    1.1 *
    Math.max(
      0.1,
      Math.abs(whole.lower_mm),
      Math.abs(whole.upper_mm),
      ...data.points.map((p) => Math.abs(p.off_mm)),
    );
  const x = (mm: number) => ROOM + ((mm - low) / (high - low)) * (WIDE - ROOM - MARGIN);
  const y = (mm: number) => TALL / 2 - (mm / reach) * (TALL / 2 - 16);
  const mm = (value: number) => measure(value, "length", units, 2);
  const rows = [
    [t("measuring-mean"), t("measuring-off"), t("measuring-claimed")],
    ...data.points.map((p) => [mm(p.mean_mm), mm(p.off_mm), mm(p.claimed_mm)]),
  ];
  return (
    <PlotFrame title={t("measuring-plot")} words={data.said.join(" ")} rows={rows}>
      <svg viewBox={[0, 0, WIDE, TALL].join(" ")} className="w-full">
        <line x1={ROOM} x2={WIDE - MARGIN} y1={y(0)} y2={y(0)} className="stroke-base-content/40" />
        {[whole.lower_mm, whole.bias_mm, whole.upper_mm].map((value, k) => (
          <g key={k}>
            <line
              x1={ROOM}
              x2={WIDE - MARGIN}
              y1={y(value)}
              y2={y(value)}
              strokeDasharray={k === 1 ? undefined : "5 4"}
              className="stroke-primary"
              strokeWidth={2}
            />
            <text x={WIDE - MARGIN + 6} y={y(value) + 4} fontSize={12} className="fill-base-content">
              {mm(value)}
            </text>
          </g>
        ))}
        {data.points.map((p) => (
          <circle key={p.attempt} cx={x(p.mean_mm)} cy={y(p.off_mm)} r={4} className="fill-base-content" />
        ))}
        <text x={ROOM} y={TALL - 2} fontSize={12} className="fill-base-content">
          {mm(low)}
        </text>
        <text x={WIDE - MARGIN} y={TALL - 2} fontSize={12} textAnchor="end" className="fill-base-content">
          {mm(high)}
        </text>
      </svg>
    </PlotFrame>
  );
}

function Groups({ data, units }: { data: Measuring; units: Units }) {
  const mm = (value: number) => measure(value, "length", units, 2);
  return (
    <div className="overflow-x-auto" role="region" aria-label={t("measuring-groups")} tabIndex={0}>
      <table className="table table-xs">
        <TableHead
          words={[
            t("measuring-groups"),
            t("measuring-beads"),
            t("measuring-bias-short"),
            t("measuring-single"),
            t("measuring-held-short"),
            t("measuring-factor"),
          ]}
        />
        <tbody>
          {data.groups.map((one) => (
            <tr key={`${one.kind}${one.name}`}>
              <th scope="row" className="font-medium">
                {one.kind} {one.name}
              </th>
              <td>{one.count}</td>
              <td>
                {t("measuring-range", {
                  value: mm(one.bias_mm),
                  low: mm(one.bias_low_mm),
                  high: mm(one.bias_high_mm),
                })}
              </td>
              <td>{t("measuring-between", { low: mm(one.lower_mm), high: mm(one.upper_mm) })}</td>
              <td>{wholePercent(one.held)}</td>
              <td>{one.factor === 1 ? "–" : `× ${one.factor.toFixed(2)}`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

type ShareProps = { share: number; busy: boolean; set: (share: number) => void };

function Share({ share, busy, set }: ShareProps) {
  const mine = useCourse().role === "instructor";
  const [typed, type] = useState(String(share));
  if (!mine) return <p>{t("measuring-share-is", { share })}</p>;
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        set(Number(typed));
      }}
    >
      <TextField label={t("measuring-share")} type="number" min={0} max={100} value={typed} onChange={type} />
      <button className="btn" disabled={busy || typed === String(share)}>
        {t("measuring-save-share")}
      </button>
    </form>
  );
}
