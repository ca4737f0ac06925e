import { Say, t } from "../../catalogue";
import type { Attempt } from "../../domain/use-attempt";
import type { Marking } from "./use-mark";
import { markWords } from "../../domain/units";

type Props = { attempt: Attempt; mark: Marking };

/** What a blind marker is told; and for those who agree, both marks side by side with each taken in one click. */
export function TwoMarks({ attempt, mark }: Props) {
  const { second } = attempt;
  if (mark.duty === "second")
    return (
      <p role="note" className="rounded-box bg-base-200 p-2 text-sm">
        <Say id="marking-second-mark-someone-has-marked-this" elems={{ strong: <strong /> }} />
      </p>
    );
  if (!second?.first || !second.second) return null;
  const { first, second: other } = second;
  const lines = Object.entries(second.lines);
  const apart = lines.filter(([key]) => first.scores[key] !== other.scores[key]);
  return (
    <details open={mark.duty === "agree"} className="rounded-box border border-base-300 p-2 text-sm">
      <summary className="cursor-pointer font-bold">
        {second.agreed ? t("marking-agreed-mark") : t("marking-two-marks-agree-on-one-mark")}
      </summary>
      <table className="table table-xs">
        <thead>
          <tr>
            <th scope="col">{t("common-criterion")}</th>
            <th scope="col">{first.marked_by.display_name}</th>
            <th scope="col">{other.marked_by.display_name}</th>
          </tr>
        </thead>
        <tbody>
          {apart.map(([key, words]) => (
            <tr key={key}>
              <th scope="row" className="font-normal">
                {words}
              </th>
              <td>{first.scores[key] ?? "–"}</td>
              <td>{other.scores[key] ?? "–"}</td>
            </tr>
          ))}
          <tr className="font-bold">
            <th scope="row">{t("marking-total")}</th>
            <td>{markWords(first.total)}</td>
            <td>{markWords(other.total)}</td>
          </tr>
        </tbody>
      </table>
      {apart.length < lines.length && (
        <p className="quiet text-xs">
          {t("marking-same-score-for-the-other", { count: lines.length - apart.length })}
        </p>
      )}
      {other.comment && <p>“{other.comment}”</p>}
      {mark.duty === "agree" && (
        <div className="mt-1 grid grid-cols-2 gap-2">
          <button className="btn btn-xs" onClick={() => mark.edit({ kind: "scores", scores: first.scores })}>
            {t("marking-use-first-mark")}
          </button>
          <button className="btn btn-xs" onClick={() => mark.edit({ kind: "scores", scores: other.scores })}>
            {t("marking-use-second-mark")}
          </button>
        </div>
      )}
    </details>
  );
}
