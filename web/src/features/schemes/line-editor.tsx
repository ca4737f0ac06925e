import { named, t } from "../../catalogue";
import { Curve } from "../../ui/curve";
import { choiceWords, criteria, criterionWords } from "../../domain/words";
import { CurveEditor } from "./curve-editor";
import { shareOf, type Body, type Line } from "./scheme-shape";

type Props = {
  body: Body;
  line: Line;
  open: boolean;
  toggle: () => void;
  change: (part: Partial<Line>) => void;
  remove: () => void;
};

/** One line of a scheme: its weight, and its curve or the scores of its options when it is opened. */
export function LineEditor({ body, line, open, toggle, change, remove }: Props) {
  const info = criteria[line.criterion];
  if (!info) return null;
  return (
    <li className="py-1.5">
      <div className="flex items-center gap-3">
        <button className="min-w-0 grow text-left" aria-expanded={open} onClick={toggle}>
          <span className="font-medium">{criterionWords(line.criterion)}</span>{" "}
          <span className="quiet text-xs">
            {info.byHand
              ? t("schemes-by-hand", { what: named("criterion", `${line.criterion}-figure`) })
              : named("criterion", `${line.criterion}-figure`)}
          </span>
        </button>
        {line.curve.length > 0 && (
          <Curve
            points={line.curve}
            words={t("schemes-curve-of", { info: criterionWords(line.criterion) })}
            className="h-8 w-20 shrink-0"
          />
        )}
        <span className="flex items-center gap-1 text-sm">
          <input
            aria-label={t("schemes-weight-of", { info: criterionWords(line.criterion) })}
            type="number"
            min={1}
            className="input w-16 input-sm"
            value={line.weight}
            onChange={(e) => change({ weight: Number(e.target.value) })}
          />
          <span className="quiet w-10">{t("percent", { figure: shareOf(body, line).toFixed(0) })}</span>
        </span>
        <button
          className="btn btn-ghost btn-xs"
          aria-label={t("common-remove-named", { name: criterionWords(line.criterion) })}
          onClick={remove}
        >
          ×
        </button>
      </div>
      {open && line.curve.length > 0 && (
        <div className="mt-2 pl-3">
          <CurveEditor
            curve={line.curve}
            words={criterionWords(line.criterion)}
            unit={info.unit}
            change={(curve) => change({ curve })}
          />
        </div>
      )}
      {open && line.curve.length === 0 && (
        <div className="mt-2 flex flex-wrap gap-3 pl-3">
          {Object.entries(line.options).map(([option, score]) => (
            <label key={option} className="text-sm">
              {choiceWords(line.criterion, option)}
              <input
                type="number"
                min={0}
                max={10}
                step={0.5}
                className="input ml-1 w-16 input-sm"
                value={score}
                onChange={(e) => change({ options: { ...line.options, [option]: Number(e.target.value) } })}
              />
            </label>
          ))}
        </div>
      )}
    </li>
  );
}
