import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";

type Forecast = Schemas["Forecast"];

const [WIDE, TALL, MOST] = [240, 26, 40];

/** How a record goes on: in words, and as a bar from the fewest to the most attempts that are likely. */
export function GoesOn({ forecast }: { forecast: Forecast }) {
  const tone = forecast.ready ? "border-success" : "border-base-300";
  return (
    <div className={`mb-3 flex flex-wrap items-center gap-x-5 gap-y-1 rounded-box border-2 p-2 ${tone}`}>
      <p className="min-w-0 grow basis-80">{forecast.words}</p>
      {forecast.to_go && <Range toGo={forecast.to_go} inARow={forecast.in_a_row} />}
    </div>
  );
}

type RangeProps = { toGo: NonNullable<Forecast["to_go"]>; inARow: number };

/** Further attempts on a line from none to forty, closer together the further away. */
function Range({ toGo, inARow }: RangeProps) {
  const x = (n: number) => 4 + Math.sqrt(n / MOST) * (WIDE - 8);
  const words = t("time-more-attempts-until", {
    low: toGo.low,
    high: toGo.high,
    in_a_row: inARow,
    median: toGo.median,
  });
  return (
    <svg viewBox={[0, 0, WIDE, TALL].join(" ")} className="h-8 w-60 shrink-0" role="img" aria-label={words}>
      <line x1={x(0)} x2={x(MOST)} y1={16} y2={16} className="stroke-base-content/40" />
      {[1, 5, 10, 20, 40].map((n) => (
        <text key={n} x={x(n)} y={9} textAnchor="middle" className="fill-base-content text-[8px]">
          {n}
        </text>
      ))}
      <rect
        x={x(toGo.low - 0.3)}
        width={Math.max(4, x(toGo.high) - x(toGo.low - 0.3))}
        y={12}
        height={8}
        rx={3}
        className="fill-accent"
      />
      <circle cx={x(toGo.median)} cy={16} r={4.5} className="fill-primary" />
    </svg>
  );
}
