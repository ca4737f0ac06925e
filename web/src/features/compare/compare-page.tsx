import { t } from "../../catalogue";
import { Link, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { usePaths } from "../../domain/course";
import { CursorScope } from "../../ui/cursor";
import { Panel } from "../../ui/panel";
import { Loading, Problem } from "../../ui/states";
import { Ruler, Strip } from "../../domain/strip";
import { CursorField } from "../../domain/cursor-field";
import { placeOn, type Axis } from "../../domain/track-frame";
import { FaultTrack, GapTrack, TintTrack, Track, WidthTrack } from "../../domain/tracks";
import { newest, useAttempt, type Attempt } from "../../domain/use-attempt";
import { useUnits } from "../../domain/use-units";
import { fineDigits, measure, type Units } from "../../domain/units";
import { dateWords, percent } from "../../domain/words";
import { Chooser } from "./chooser";
import { commonAxis, commonLimits, nameOf, rowsOf, verdict, type Row } from "./compare-shape";

type Report = Schemas["Report"];
type Shown = { attempt: Attempt; report: Report; strip: Schemas["Strip"] };

/** Two attempts one over the other on one millimetre axis. */
export function ComparePage() {
  const { earlierId, laterId } = useParams();
  const earlier = useAttempt(Number(earlierId));
  const later = useAttempt(Number(laterId));
  if (earlier.isPending || later.isPending) return <Loading />;
  if (earlier.isError) return <Problem error={earlier.error} again={() => void earlier.refetch()} />;
  if (later.isError) return <Problem error={later.error} again={() => void later.refetch()} />;
  const [one, other] = [shownOf(earlier.data), shownOf(later.data)];
  return (
    <div className="space-y-4">
      <h1 className="text-2xl font-bold">
        {t("compare-two-beads-compared", { name: later.data.student.display_name })}
      </h1>
      <Chooser earlier={earlier.data} later={later.data} />
      {one && other ? (
        <CursorScope key={`${String(one.attempt.id)}-${String(other.attempt.id)}`}>
          <Both one={one} other={other} />
        </CursorScope>
      ) : (
        <p>{t("compare-one-of-these-beads-has-not")}</p>
      )}
    </div>
  );
}

function shownOf(attempt: Attempt): Shown | null {
  const { measurement } = newest(attempt);
  return measurement?.report?.bead && measurement.strip
    ? { attempt, report: measurement.report, strip: measurement.strip }
    : null;
}

function Both({ one, other }: { one: Shown; other: Shown }) {
  const paths = usePaths();
  const units = useUnits();
  const axis = commonAxis(one.strip, other.strip);
  const limits = commonLimits(one.report, other.report);
  const length = Math.max(one.report.bead?.length_mm ?? 0, other.report.bead?.length_mm ?? 0);
  return (
    <>
      <Panel tight>
        <CursorField axis={axis} length={length}>
          <Placed axis={axis} shown={one} units={units} />
          <Placed axis={axis} shown={other} units={units} />
          <Track words={t("compare-width-lower-bead-dashed")} span={axis}>
            <WidthTrack report={one.report} limits={limits} />
            <WidthTrack report={other.report} limits={limits} second />
          </Track>
          <Track
            words={
              one.report.ripple ? t("compare-ripple-gaps-above") : t("compare-no-distinct-ripples-above")
            }
            span={axis}
          >
            <GapTrack report={one.report} />
          </Track>
          <Track
            words={
              other.report.ripple ? t("compare-ripple-gaps-below") : t("compare-no-distinct-ripples-below")
            }
            span={axis}
          >
            <GapTrack report={other.report} />
          </Track>
          <TintTrack report={one.report} span={axis} />
          <TintTrack report={other.report} span={axis} />
          {[one, other].map(
            ({ attempt, report }) =>
              (report.defects ?? []).length > 0 && (
                <FaultTrack key={attempt.id} defects={report.defects ?? []} span={axis} />
              ),
          )}
        </CursorField>
        <Ruler fromMm={axis.from_mm} toMm={axis.to_mm} />
      </Panel>
      <Panel tight>
        <table className="table table-sm">
          <thead>
            <tr>
              <th scope="col">{t("compare-figure")}</th>
              {[one, other].map(({ attempt }) => (
                <th key={attempt.id} scope="col">
                  <Link className="link" to={paths.attempt(attempt.id)}>
                    {t("compare-attempt", { number: attempt.number, date: dateWords(attempt.created_at) })}
                  </Link>
                </th>
              ))}
              <th scope="col">{t("compare-below-is")}</th>
            </tr>
          </thead>
          <tbody>
            {rowsOf(one.report, other.report).map((row) => (
              <tr key={row.words}>
                <th scope="row">{row.words}</th>
                <td>{formatValue(row, row.earlier, units)}</td>
                <td>{formatValue(row, row.later, units)}</td>
                <td className="font-semibold">
                  <Verdict row={row} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Panel>
    </>
  );
}

/** A strip at its own place on the common axis. */
function Placed({ axis, shown, units }: { axis: Axis; shown: Shown; units: Units }) {
  const { left, width } = placeOn(axis, shown.strip.from_mm, shown.strip.to_mm);
  return (
    <div className="mb-1">
      <div style={{ marginLeft: left, width }}>
        <Strip
          strip={shown.strip}
          label={t("compare-strip-of-long", {
            name_of: nameOf(shown.attempt),
            length_mm: measure(shown.report.bead?.length_mm, "length", units),
          })}
        />
      </div>
    </div>
  );
}

function formatValue(row: Row, value: number | null, units: Units): string {
  if (value === null) return "–";
  if (row.kind === "percent") return percent(value);
  return row.kind === "count" ? String(value) : measure(value, "length", units, fineDigits(units));
}

function Verdict({ row }: { row: Row }) {
  const found = verdict(row);
  return found === null ? null : t(`compare-${found}`);
}
