import { t } from "../../catalogue";
import type { Schemas } from "../../api/client";
import { PlotFrame } from "../../ui/plot-frame";
import { percent } from "../../domain/words";

const [WIDE, TALL, ROOM] = [560, 62, 10];
const FOOT = 59;

/** Where everybody stands with one figure: a dot each on one scale, the good part shaded. */
export function Spread({ spread }: { spread: Schemas["Spread"] }) {
  const { places, good, words } = spread;
  const top = Math.max(2 * good, ...places.map((p) => p.value));
  const x = (v: number) => ROOM + (v / top) * (WIDE - 2 * ROOM);
  const rows = [
    [t("common-student"), words],
    ...places.map((p) => [p.student.display_name, percent(p.value)]),
  ];
  const inside = places.filter((p) => p.value <= good).length;
  const last = places.at(-1);
  const said =
    t("wall-of-within", { words, inside, count: places.length, good: percent(good) }) +
    (last
      ? t("wall-furthest-off-with", { name: last.student.display_name, value: percent(last.value) })
      : "");
  return (
    <PlotFrame title={words} words={said} rows={rows}>
      <svg viewBox={[0, 0, WIDE, TALL].join(" ")} width={WIDE} height={TALL} className="h-auto max-w-full">
        <rect x={x(0)} y={30} width={x(good) - x(0)} height={16} className="fill-accent" fillOpacity={0.5} />
        <line x1={ROOM} x2={WIDE - ROOM} y1={46} y2={46} className="stroke-base-content/50" />
        <text x={x(good)} y={26} textAnchor="middle" className="fill-base-content text-[10px]">
          {t("wall-good", { good: percent(good) })}
        </text>
        <text x={x(0)} y={FOOT} className="fill-base-content text-[10px]">
          {t("wall-0-varies-steadiest")}
        </text>
        <text x={WIDE - ROOM} y={FOOT} textAnchor="end" className="fill-base-content text-[10px]">
          {percent(top)}
        </text>
        {places.map((p, i) => (
          <g key={p.student.id}>
            <circle cx={x(p.value)} cy={38} r={5} className="fill-primary" fillOpacity={0.75}>
              <title>{`${p.student.display_name}: ${percent(p.value)}`}</title>
            </circle>
            {i === places.length - 1 && p.value > good && (
              <text
                x={x(p.value)}
                y={26}
                textAnchor="end"
                className="fill-base-content text-[10px] font-bold"
              >
                {p.student.display_name}
              </text>
            )}
          </g>
        ))}
      </svg>
    </PlotFrame>
  );
}
