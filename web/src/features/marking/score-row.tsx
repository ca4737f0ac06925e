import { t } from "../../catalogue";
import { Curve } from "../../ui/curve";
import { HALF, stepped, type Suggestion } from "./score-shape";

type Props = {
  line: Suggestion;
  score: number | null;
  applies: boolean;
  missing: boolean;
  chosen: boolean;
  choose: () => void;
  set: (score: number | null) => void;
};

/** One line of the mark: its score in halves; the chosen one tells what is suggested, and its place on the curve. */
export function ScoreRow({ line, score, applies, missing, chosen, choose, set }: Props) {
  const { words } = line;
  return (
    <li
      className={`rounded px-1.5 ${chosen ? "bg-base-200 py-1 outline-2 outline-primary" : ""}`}
      // On the click, not before it: the row that closes above would move the button away under the finger.
      onClick={choose}
    >
      <div className="flex items-center justify-between gap-2">
        <span className={missing ? "font-bold text-error" : "font-medium"}>
          {words}{" "}
          <span className="quiet text-xs font-normal">
            {t("percent", { figure: line.weight.toFixed(0) })}
          </span>
        </span>
        <span className="join">
          <button
            className="btn join-item btn-xs"
            aria-label={t("common-half-a-point-less", { words })}
            onClick={() => set(stepped(score, -HALF))}
          >
            −
          </button>
          <output
            className="join-item grid w-11 place-items-center border border-base-300 text-sm font-bold"
            aria-label={t("common-score", { words })}
          >
            {score ?? (applies ? "–" : t("common-n-a"))}
          </output>
          <button
            className="btn join-item btn-xs"
            aria-label={t("common-half-a-point-more", { words })}
            onClick={() => set(stepped(score, HALF))}
          >
            +
          </button>
        </span>
      </div>
      {chosen && <Why line={line} />}
    </li>
  );
}

function Why({ line }: { line: Suggestion }) {
  const { figure, score } = line;
  return (
    <div className="flex items-center gap-2">
      {line.curve.length > 0 && (
        <Curve
          points={line.curve}
          dot={figure !== null && score !== null ? { figure, score } : undefined}
          words={
            score === null
              ? t("marking-gives-no-score", { figure: line.figure_name })
              : t("marking-gives", { figure: line.figure_name, value: line.figure_in_words, score })
          }
          className="h-11 w-28 shrink-0"
        />
      )}
      <p className="quiet text-xs">
        {t("marking-suggested", {
          score: score ?? (line.applies ? t("marking-nothing") : t("marking-n-a")),
          because: line.because,
        })}
      </p>
    </div>
  );
}
