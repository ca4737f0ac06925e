import { HALF, stepped, type Suggestion } from "./score-shape";

type Props = {
  suggestion: Suggestion;
  score: number | null;
  chosen: boolean;
  choose: () => void;
  set: (score: number | null) => void;
};

/** One line of the mark: its score in halves, and what is suggested and why. */
export function ScoreRow({ suggestion, score, chosen, choose, set }: Props) {
  const { words } = suggestion;
  return (
    <li
      className={`rounded px-2 py-1.5 ${chosen ? "bg-base-200 outline-2 outline-primary" : ""}`}
      onPointerDown={choose}
    >
      <div className="flex items-center justify-between gap-2">
        <span className="font-medium">
          {words} <span className="quiet text-xs">{suggestion.weight} %</span>
        </span>
        <span className="join">
          <button
            className="btn join-item btn-sm"
            aria-label={`${words}: half a point less`}
            onClick={() => set(stepped(score, -HALF))}
          >
            −
          </button>
          <output
            className="join-item grid w-12 place-items-center border border-base-300 font-bold"
            aria-label={`${words}: score`}
          >
            {score ?? "–"}
          </output>
          <button
            className="btn join-item btn-sm"
            aria-label={`${words}: half a point more`}
            onClick={() => set(stepped(score, HALF))}
          >
            +
          </button>
        </span>
      </div>
      <p className="quiet text-xs">
        suggested {suggestion.score ?? "nothing"}: {suggestion.because}
      </p>
    </li>
  );
}
