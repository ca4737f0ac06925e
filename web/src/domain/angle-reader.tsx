import { Say, t } from "../catalogue";
import { useState } from "react";
import type { PhotoName } from "./outbox/changes";
import { lineFrom, PhotoLines, type Drawable } from "./photo-lines";
import { Problem } from "../ui/states";
import { useOutboxChange, type Attempt } from "./use-attempt";

const SECOND = {
  work: t("shared-plate-from-the-joint-outward"),
  travel: t("shared-direction-of-travel-from-the-arc"),
} as const;
const TORCH = t("shared-torch-from-the-tip-upward");

/**
 * Two lines drawn on a photo of the torch; the server computes the angle and writes it into the log
 * as measured, once the photo has been sent.
 */
export function AngleReader({
  attempt,
  photo,
  close,
}: {
  attempt: Attempt;
  photo: Drawable & { id: PhotoName };
  close: () => void;
}) {
  const [which, setWhich] = useState<"work" | "travel">("work");
  const [run, setRun] = useState(attempt.runs.at(-1)?.number ?? 1);
  const [lines, setLines] = useState([
    lineFrom(photo, TORCH, "#ffd400", [0.42, 0.6], [0.54, 0.25]),
    lineFrom(photo, SECOND.work, "#ff7ad9", [0.5, 0.8], [0.85, 0.8]),
  ]);
  const read = useOutboxChange(() => {
    const [torch = [], reference = []] = lines.map((l) => l.ends.map((p) => [...p]));
    return { what: "angle", attempt: attempt.id, photo: photo.id, read: { which, torch, reference, run } };
  });
  function choose(next: "work" | "travel") {
    setWhich(next);
    setLines(lines.map((l, i) => (i === 1 ? { ...l, words: SECOND[next] } : l)));
  }
  return (
    <div className="space-y-2 rounded-box bg-base-200 p-3">
      <div className="flex flex-wrap items-center gap-3">
        <div className="join" role="group" aria-label={t("shared-angle-to-read")}>
          {(["work", "travel"] as const).map((w) => (
            <button
              key={w}
              className={`btn join-item btn-sm ${w === which ? "btn-primary" : ""}`}
              aria-pressed={w === which}
              onClick={() => choose(w)}
            >
              {w === "work" ? t("shared-work-angle") : t("shared-travel-angle")}
            </button>
          ))}
        </div>
        {attempt.runs.length > 1 && (
          <label className="flex items-center gap-2 text-sm">
            {t("shared-of-run")}
            <select
              className="select w-20 select-sm"
              value={run}
              onChange={(e) => setRun(Number(e.target.value))}
            >
              {attempt.runs.map((r) => (
                <option key={r.number}>{r.number}</option>
              ))}
            </select>
          </label>
        )}
      </div>
      <p className="text-sm">
        <Say
          id="shared-yellow-along-the-pink-along-the"
          vars={{ torch: TORCH, second: SECOND[which] }}
          elems={{
            strong: <strong className="rounded bg-[#ffd400] px-1 text-black" />,
            strong2: <strong className="rounded bg-[#ff7ad9] px-1 text-black" />,
          }}
        />
      </p>
      <PhotoLines
        photo={photo}
        lines={lines}
        change={setLines}
        label={t("shared-photo-of-the-torch-with-two")}
      />
      <div className="flex gap-2">
        <button
          className="btn btn-primary btn-sm"
          disabled={read.isPending}
          onClick={() => read.mutate(undefined, { onSuccess: close })}
        >
          {t("shared-save-to-log")}
        </button>
        <button className="btn btn-sm" onClick={close}>
          {t("common-cancel")}
        </button>
      </div>
      <Problem error={read.error} />
    </div>
  );
}
