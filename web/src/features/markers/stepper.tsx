import { t } from "../../catalogue";
const HALF = 0.5;
const MOST = 10;

type Props = { words: string; score: number | null; set: (score: number | null) => void };

/** A score in halves, or that the line does not apply. */
export function Stepper({ words, score, set }: Props) {
  const by = (step: number) => set(Math.min(MOST, Math.max(0, (score ?? MOST / 2) + step)));
  return (
    <div className="flex items-center justify-between gap-2">
      <span className="font-medium">{words}</span>
      <span className="join">
        <button
          className="btn join-item btn-sm"
          aria-label={t("common-half-a-point-less", { words })}
          onClick={() => by(-HALF)}
        >
          −
        </button>
        <output
          className="join-item grid w-12 place-items-center border border-base-300 font-bold"
          aria-label={t("common-score", { words })}
        >
          {score ?? t("common-n-a")}
        </output>
        <button
          className="btn join-item btn-sm"
          aria-label={t("common-half-a-point-more", { words })}
          onClick={() => by(HALF)}
        >
          +
        </button>
        <button
          className="btn join-item btn-sm"
          aria-label={t("markers-does-not-apply", { words })}
          onClick={() => set(null)}
        >
          ×
        </button>
      </span>
    </div>
  );
}
