import { Say, t } from "../../catalogue";
import { Link } from "react-router";
import { usePaths } from "../../domain/course";
import { Panel } from "../../ui/panel";
import { Problem } from "../../ui/states";
import { useSettled } from "../../ui/use-settled";
import { useTried } from "./queries";
import type { Body } from "./scheme-shape";
import { markWords } from "../../domain/units";

const SETTLE_MS = 300;

/** What the scheme as it now stands would have made of the last marks, before it is kept. */
export function Tried({ code, body }: { code: string; body: Body }) {
  const paths = usePaths();
  const tried = useTried(code, useSettled(body, SETTLE_MS));
  if (tried.isError) return <Problem error={tried.error} />;
  if (!tried.data) return <p className="quiet">{t("schemes-trying-this-scheme-on-recent-marks")}</p>;
  const { marks, pass_anew, fail_anew } = tried.data;
  if (marks.length === 0) return <p className="quiet">{t("schemes-no-marks-use-this-scheme-yet")}</p>;
  const turned = marks.filter((m) => m.passed !== m.new_passed);
  const moved = marks.filter((m) => Math.abs(m.total - m.new_total) >= 1).length;
  return (
    <Panel tight aria-label={t("schemes-trial-on-recent-marks")}>
      <p role="status">
        <Say
          id="schemes-of-the-last-marks-would-now"
          vars={{ count: marks.length, fail_anew, pass_anew, moved }}
          elems={{ strong: <strong />, strong2: <strong /> }}
        />
      </p>
      <Dots marks={marks} pass={body.pass_mark} />
      <ul
        className="mt-1 max-h-40 overflow-y-auto text-sm"
        tabIndex={0}
        aria-label={t("schemes-marks-that-would-change-result")}
      >
        {turned.map((m) => (
          <li key={m.attempt}>
            <Link className="link" to={paths.attempt(m.attempt)}>
              {t("schemes-attempt", { student: m.student, title: m.title, number: m.number })}
            </Link>{" "}
            {markWords(m.total)} → {markWords(m.new_total)}{" "}
            <strong className={m.new_passed ? "text-success" : "text-error"}>
              {m.new_passed ? t("common-passes") : t("common-fails")}
            </strong>
          </li>
        ))}
      </ul>
    </Panel>
  );
}

type Marks = { attempt: number; total: number; new_total: number; new_passed: boolean }[];

/** Each mark as a line from what it was to what it would be. */
function Dots({ marks, pass }: { marks: Marks; pass: number }) {
  const [wide, tall] = [300, 60];
  const y = (v: number) => tall - (v / 100) * tall;
  const step = wide / marks.length;
  return (
    <svg
      viewBox={[0, -3, wide, tall + 6].join(" ")}
      className="mt-2 h-20 w-full"
      role="img"
      aria-label={t("schemes-each-mark-as-it-was-and")}
    >
      <line
        x1={0}
        x2={wide}
        y1={y(pass)}
        y2={y(pass)}
        className="stroke-base-content/50"
        strokeDasharray="4 3"
      />
      {[...marks].reverse().map((m, i) => (
        <g key={m.attempt}>
          <line
            x1={(i + 0.5) * step}
            x2={(i + 0.5) * step}
            y1={y(m.total)}
            y2={y(m.new_total)}
            className="stroke-base-content/50"
          />
          <circle
            cx={(i + 0.5) * step}
            cy={y(m.new_total)}
            r={2.4}
            className={m.new_passed ? "fill-success" : "fill-error"}
          />
        </g>
      ))}
    </svg>
  );
}
