import { t } from "../../../catalogue";
import { figure, measure, shownAs, type Units } from "../../../domain/units";
import { fieldWords, tintLevels, tintWords } from "../../../domain/words";
import { PlotFrame } from "../../../ui/plot-frame";
import { positionOf, scalesOf, type Trial } from "./trial-shape";

const [WIDE, TALL, ROOM] = [640, 300, 24];
const DOT = 9;

/** Width over the varied figure: each bead in its tint, the course between them, and the band that is wanted. */
export function TrialPlot({ trial, units }: { trial: Trial; units: Units }) {
  const { x, y } = scalesOf(trial, WIDE, TALL, ROOM);
  const what = fieldWords(trial.varied);
  const { curve, found } = trial;
  const band = [
    ...curve.map((p) => `${String(x(p.value))},${String(y(p.width_mm + p.half_mm))}`),
    ...curve.map((p) => `${String(x(p.value))},${String(y(p.width_mm - p.half_mm))}`).reverse(),
  ].join(" ");
  const unit = shownAs("length", units).label;
  const rows = [
    [what, t("common-width"), t("trials-tint"), t("trials-shows")],
    ...trial.beads.map((bead) => [
      trial.lines.find((line) => line.number === bead.line)?.words ?? "",
      measure(bead.width_mm, "length", units),
      bead.tint_bead === null ? "–" : tintWords(bead.tint_bead),
      bead.seen,
    ]),
  ];
  const best = typeof found?.best === "number" ? found.best : null;
  return (
    <PlotFrame
      title={t("trials-plot", { what })}
      words={[t("trials-plot", { what }), ...(found?.lines ?? [])].join(". ")}
      rows={rows}
    >
      <svg viewBox={[0, 0, WIDE, TALL].join(" ")} className="w-full">
        <rect
          x={ROOM}
          width={WIDE - ROOM}
          y={y(trial.wanted_high_mm)}
          height={y(trial.wanted_low_mm) - y(trial.wanted_high_mm)}
          className="fill-primary"
          fillOpacity={0.12}
        />
        {[trial.wanted_low_mm, trial.wanted_high_mm].map((mm) => (
          <text key={mm} x={2} y={y(mm) + 4} fontSize={13} className="fill-base-content">
            {figure(mm, "length", units)}
          </text>
        ))}
        <text
          x={WIDE - 6}
          y={y(trial.wanted_high_mm) - 5}
          fontSize={13}
          textAnchor="end"
          className="fill-base-content"
        >
          {t("trials-wanted", { unit })}
        </text>
        {found?.low != null && found.high != null && (
          <line
            x1={x(found.low)}
            x2={x(found.high)}
            y1={TALL - ROOM}
            y2={TALL - ROOM}
            strokeWidth={6}
            className="stroke-accent"
          />
        )}
        <polygon points={band} className="fill-base-content" fillOpacity={0.08} />
        <polyline
          points={curve.map((p) => `${String(x(p.value))},${String(y(p.width_mm))}`).join(" ")}
          className="fill-none stroke-base-content"
          strokeWidth={2}
        />
        {best !== null && (
          <line
            x1={x(best)}
            x2={x(best)}
            y1={ROOM}
            y2={TALL - ROOM}
            className="stroke-accent"
            strokeWidth={2}
          />
        )}
        {trial.beads.map((bead) => {
          const at = x(positionOf(trial, bead.line));
          return (
            <g key={bead.line}>
              <circle
                cx={at}
                cy={y(bead.width_mm)}
                r={DOT}
                fill={bead.tint_bead === null ? "none" : tintLevels[bead.tint_bead]?.colour}
                className="stroke-base-content"
                strokeWidth={bead.as_wanted ? 3 : 1}
              />
              <text
                x={at}
                y={y(bead.width_mm) - DOT - 4}
                fontSize={13}
                textAnchor="middle"
                className="fill-base-content"
              >
                {bead.line}
              </text>
            </g>
          );
        })}
        {trial.lines.map((line) => (
          <text
            key={line.number}
            x={x(positionOf(trial, line.number))}
            y={TALL - 4}
            fontSize={13}
            textAnchor="middle"
            className="fill-base-content"
          >
            {line.words}
          </text>
        ))}
      </svg>
    </PlotFrame>
  );
}
